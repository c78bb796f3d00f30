<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;

/**
 * Whether a task is there to be seen: by itself, and already. Queries that say so in SQL (`TaskStands`) are held against this.
 */
final readonly class Standing
{
    /**
     * What is a part of another stands by itself only with a time of its own.
     *
     * @param bool $hasTime a due, among open tasks; a start, among those that wait
     */
    public static function alone(bool $isPart, bool $hasTime): bool
    {
        return !$isPart || $hasTime;
    }

    /**
     * Whether a start is still ahead: a day until it begins where the person is, a time until it has come.
     *
     * @param Moment $now in the person's own zone
     */
    public static function isAhead(Due $start, Moment $now): bool
    {
        return null === $start->time ? $now->date()->isBefore($start->date) : $start->instant() > $now->instant;
    }

    /**
     * Whether it is out of the way: its start, or that of anything that it is a part of, is ahead.
     *
     * @param list<Task> $above what it is a part of, and so on up
     * @param Moment     $now   in the person's own zone
     */
    public static function waits(Task $task, array $above, Moment $now): bool
    {
        foreach ([$task, ...$above] as $one) {
            $start = $one->start();
            if (null !== $start && self::isAhead($start, $now)) {
                return true;
            }
        }

        return false;
    }
}
