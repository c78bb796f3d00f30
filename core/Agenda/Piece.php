<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Time\LocalDate;

/**
 * What of a task has been laid on a day.
 */
final readonly class Piece
{
    /** @param int $minutes more than 0 */
    public function __construct(public string $id, public string $of, public LocalDate $on, public int $minutes)
    {
    }

    /**
     * What has been laid lies where it lies; of the rest of an estimate only its first and its last day are known.
     *
     * @param list<Load> $tasks  open ones, each as long as it is estimated
     * @param list<self> $pieces of open tasks, from today on; what was meant for a day that is over was not done then
     *
     * @return list<Load>
     */
    public static function loads(array $tasks, array $pieces): array
    {
        $laid = self::laid($pieces);

        return [
            ...array_map(static fn (self $piece): Load => new Load('slot '.$piece->id, $piece->minutes, on: $piece->on), $pieces),
            ...array_map(static fn (Load $task): Load => $task->lasting(max(0, $task->minutes - ($laid[$task->id] ?? 0))), $tasks),
        ];
    }

    /**
     * @param list<self> $pieces
     *
     * @return array<string, int> minutes by task
     */
    public static function laid(array $pieces): array
    {
        $laid = [];
        foreach ($pieces as $piece) {
            $laid[$piece->of] = ($laid[$piece->of] ?? 0) + $piece->minutes;
        }

        return $laid;
    }
}
