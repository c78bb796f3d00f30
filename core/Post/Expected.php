<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Moment;

/**
 * The answer that is expected of everybody to whom a message is addressed.
 */
final readonly class Expected
{
    /**
     * @param string      $what   is asked; may be empty
     * @param TaskId|null $taskId what is handed over with it
     */
    public function __construct(public string $what, public Moment $until, public ?TaskId $taskId = null)
    {
    }
}
