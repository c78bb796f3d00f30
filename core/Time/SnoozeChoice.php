<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * The moments that are offered for putting a conversation off.
 */
enum SnoozeChoice: string
{
    case LaterToday = 'later_today';
    case TomorrowMorning = 'tomorrow_morning';
    case NextMonday = 'next_monday';

    private const LATER = 'PT3H';

    /**
     * The moment that the choice means now, in the person's zone. "Later today" is three hours from
     * now, rounded up to a quarter of an hour; null when that would no longer be today.
     */
    public function moment(\DateTimeInterface $now, \DateTimeZone $zone): ?Moment
    {
        $today = LocalDate::of($now, $zone);

        return match ($this) {
            self::LaterToday => $this->laterToday($now, $zone, $today),
            self::TomorrowMorning => Moment::at($today->plusDays(1), DayMark::Morning->time(), $zone),
            self::NextMonday => Moment::at($today->plusDays(8 - $today->weekday()), DayMark::Morning->time(), $zone),
        };
    }

    private function laterToday(\DateTimeInterface $now, \DateTimeZone $zone, LocalDate $today): ?Moment
    {
        $quarter = 15 * 60;
        $seconds = (int) ceil(\DateTimeImmutable::createFromInterface($now)->add(new \DateInterval(self::LATER))->getTimestamp() / $quarter) * $quarter;
        $moment = new Moment(new \DateTimeImmutable('@'.$seconds), $zone);

        return $moment->date()->equals($today) ? $moment : null;
    }
}
