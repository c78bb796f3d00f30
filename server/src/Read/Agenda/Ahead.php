<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Agenda\Fit;
use ZippyTray\Core\Agenda\HoursThere;
use ZippyTray\Core\Agenda\Load;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Read\Task\OpenTasks;

/**
 * What was promised, what takes place, and how it fits into the days from today on.
 *
 * @phpstan-import-type OpenTask from OpenTasks
 */
final readonly class Ahead
{
    /**
     * @param list<SlotView>                       $slots  from the first day that was asked for on, those of done tasks too
     * @param list<Occurrence>                     $events likewise
     * @param array<string, OpenTask>              $open   by id
     * @param array<string, int>                   $laid   minutes that lie anywhere from today on, by task
     * @param array<string, list<array{int, int}>> $taken  by day the seconds since 1970 from which until which something takes place
     * @param list<int>                            $free   minutes of each day from today on
     * @param list<Load>                           $loads
     */
    public function __construct(
        public LocalDate $today,
        public array $slots,
        public array $events,
        public array $open,
        public array $laid,
        public array $taken,
        public array $free,
        public array $loads,
        public Fit $fit,
        private HoursThere $hours,
    ) {
    }

    /** Minutes of a day that can be promised; of one that is over, those that could. */
    public function there(LocalDate $date): int
    {
        return $date->isBefore($this->today) || $this->today->daysUntil($date) >= \count($this->free)
            ? $this->hours->on($date, $this->taken[(string) $date] ?? [])
            : $this->fit->there($date);
    }

    /** Minutes. */
    public function promised(LocalDate $date): int
    {
        return $date->isBefore($this->today)
            ? array_sum(array_map(static fn (SlotView $slot): int => $slot->date === (string) $date ? $slot->minutes : 0, $this->slots))
            : $this->fit->promised($date);
    }
}
