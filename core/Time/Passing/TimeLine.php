<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Passing;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

/**
 * The time from now on in parts that grow with the distance: the hours of today, the days to the end of next week,
 * four weeks after that, then months. They follow one another without holes.
 */
final readonly class TimeLine
{
    private const WEEKS = 4;

    private LocalDate $today;

    /** The last day that stands for itself. */
    private LocalDate $lastDay;

    /** The last day of the last week that stands for itself. */
    private LocalDate $lastWeek;

    public function __construct(Moment $now, private Week $week)
    {
        $this->today = $now->date();
        $this->lastDay = $week->startOf($this->today)->plusDays(13);
        $this->lastWeek = $this->lastDay->plusDays(7 * self::WEEKS);
    }

    /** @param LocalDate $date today or later; what is earlier counts for today */
    public function stretch(LocalDate $date, ?TimeOfDay $time): Stretch
    {
        if (!$this->today->isBefore($date)) {
            return new Stretch(
                StretchKind::Hour,
                $this->today,
                $this->today,
                null === $time || $date->isBefore($this->today) ? null : (int) substr((string) $time, 0, 2),
            );
        }
        if (!$this->lastDay->isBefore($date)) {
            return new Stretch(StretchKind::Day, $date, $date);
        }
        if (!$this->lastWeek->isBefore($date)) {
            $from = $this->week->startOf($date);

            return new Stretch(StretchKind::Week, $from, $from->plusDays(6));
        }
        $first = $date->plusDays(1 - $date->day());

        return new Stretch(
            StretchKind::Month,
            $this->lastWeek->isBefore($first) ? $first : $this->lastWeek->plusDays(1),
            $first->endOfMonth(),
        );
    }

    /**
     * What stands between those in which something comes.
     *
     * @param list<Stretch> $filled in order, each once
     *
     * @return list<Stretch> the same, with a gap wherever days lie between two of them, and between today and the first
     */
    public function withGaps(array $filled): array
    {
        $line = [];
        $free = $this->today->plusDays(1);
        foreach ($filled as $stretch) {
            if ($free->isBefore($stretch->from)) {
                $line[] = new Stretch(StretchKind::Gap, $free, $stretch->from->plusDays(-1));
            }
            $line[] = $stretch;
            $next = $stretch->to->plusDays(1);
            $free = $free->isBefore($next) ? $next : $free;
        }

        return $line;
    }
}
