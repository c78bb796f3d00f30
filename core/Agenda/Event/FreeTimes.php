<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Agenda\AgendaSettings;
use ZippyTray\Core\Agenda\HoursThere;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Week;

/**
 * When there is time for something near when it was meant: within the hours for work, from half hours on, nearest first.
 */
final readonly class FreeTimes
{
    /** Days before and behind on which it is looked for. */
    public const DAYS = 5;

    /** Seconds. */
    private const STEP = 1800;

    public function __construct(private AgendaSettings $settings, private Week $week)
    {
    }

    /**
     * @param list<array{int, int}> $taken seconds since 1970 from which until which something takes place
     *
     * @return list<Moment> in order of time, $most at the most
     */
    public function near(Moment $meant, int $minutes, array $taken, Moment $now, int $most = 3): array
    {
        $found = [];
        for ($day = -self::DAYS; $day <= self::DAYS; ++$day) {
            $date = $meant->date()->plusDays($day);
            $hours = $this->settings->hoursOn($date, $this->week);
            if (null === $hours || $minutes <= 0) {
                continue;
            }
            [$begin, $end] = HoursThere::span($date, $hours, $meant->zone);
            for ($at = $begin; $at + 60 * $minutes <= $end; $at += self::STEP) {
                $isTaken = [] !== array_filter($taken, static fn (array $one): bool => $one[0] < $at + 60 * $minutes && $at < $one[1]);
                if (!$isTaken && $at > $now->instant->getTimestamp()) {
                    $found[$at] = abs($at - $meant->instant->getTimestamp());
                }
            }
        }
        asort($found);
        $near = \array_slice(array_keys($found), 0, $most);
        sort($near);

        return array_map(static fn (int $at): Moment => new Moment(new \DateTimeImmutable('@'.$at), $meant->zone), $near);
    }
}
