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
     * @param int $estimated minutes, more than 0
     * @param int $took      minutes by the clock, more than 0
     */
    public function __construct(public string $title, public ListId $listId, public int $estimated, public int $took)
    {
    }
}
