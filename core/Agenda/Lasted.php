<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Task\ListId;

/**
 * How long something took that had been estimated.
 */
final readonly class Lasted
{
    /**
     * @param ListId|null $listId    null: it was done at once, without a task
     * @param int         $estimated minutes, more than 0
     * @param float       $took      minutes by the clock, more than 0
     */
    public function __construct(public string $title, public ?ListId $listId, public int $estimated, public float $took)
    {
    }
}
