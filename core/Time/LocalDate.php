<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

use ZippyTray\Core\Refused;

/**
 * A day of the calendar without time and zone, written as in RFC 3339 (full-date): 2026-11-27.
 */
final readonly class LocalDate implements \JsonSerializable, \Stringable
{
    private function __construct(private string $iso)
    {
    }

    /** @throws Refused when the text is no date of the Gregorian calendar between the years 1 and 9999 */
    public static function parse(string $iso): self
    {
        if (1 !== preg_match('/^(\d{4})-(\d{2})-(\d{2})$/D', $iso, $m) || !checkdate((int) $m[2], (int) $m[3], (int) $m[1])) {
            throw new Refused(\sprintf('"%s" is not a date.', $iso), 'date');
        }

        return new self($iso);
    }

    /** The day that $instant falls on in $zone. */
    public static function of(\DateTimeInterface $instant, \DateTimeZone $zone): self
    {
        return new self(\DateTimeImmutable::createFromInterface($instant)->setTimezone($zone)->format('Y-m-d'));
    }

    /** Null when the calendar has no such day. */
    public static function on(int $year, int $month, int $day): ?self
    {
        return $year >= 1 && $year <= 9999 && checkdate($month, $day, $year)
            ? new self(\sprintf('%04d-%02d-%02d', $year, $month, $day))
            : null;
    }

    public function year(): int
    {
        return (int) substr($this->iso, 0, 4);
    }

    public function month(): int
    {
        return (int) substr($this->iso, 5, 2);
    }

    /** Day of the month, from 1 on. */
    public function day(): int
    {
        return (int) substr($this->iso, 8, 2);
    }

    public function plusDays(int $days): self
    {
        $day = $this->day() + $days;
        // Each month has so many, and most steps are small.
        if ($day >= 1 && $day <= 28) {
            return new self(\sprintf('%s-%02d', substr($this->iso, 0, 7), $day));
        }

        return new self($this->noonUtc()->modify(\sprintf('%+d days', $days))->format('Y-m-d'));
    }

    /** The same day of another month; the last one of a month that is too short for it. */
    public function plusMonths(int $months): self
    {
        $count = $this->year() * 12 + $this->month() - 1 + $months;
        [$year, $month] = [intdiv($count, 12), $count % 12 + 1];
        for ($day = $this->day(); $day > 28; --$day) {
            $date = self::on($year, $month, $day);
            if (null !== $date) {
                return $date;
            }
        }

        return new self(\sprintf('%04d-%02d-%02d', $year, $month, $day));
    }

    public function endOfMonth(): self
    {
        return new self(\sprintf('%s-%02d', substr($this->iso, 0, 7), $this->daysOfMonth()));
    }

    /** Days from this day to $other; negative when $other is earlier. */
    public function daysUntil(self $other): int
    {
        return (int) $this->noonUtc()->diff($other->noonUtc())->format('%r%a');
    }

    /** Day of the week as in ISO 8601: 1 is Monday, 7 is Sunday. */
    public function weekday(): int
    {
        // The days of the months before it, counted from March, so that a leap day comes last (Zeller).
        [$year, $month] = $this->month() < 3 ? [$this->year() - 1, $this->month() + 12] : [$this->year(), $this->month()];
        $days = $this->day() + intdiv(13 * ($month + 1), 5) + $year + intdiv($year, 4) - intdiv($year, 100) + intdiv($year, 400);

        return ($days + 5) % 7 + 1;
    }

    /**
     * The instant (in UTC) at which the clocks of $zone show $time on this day. A time that a clock
     * change skips is moved forward by the gap; one that occurs twice means the first.
     */
    public function at(TimeOfDay $time, \DateTimeZone $zone): \DateTimeImmutable
    {
        $shown = new \DateTimeImmutable($this->iso.' '.$time, new \DateTimeZone('UTC'));
        // A day before and after it: when both are the same, no clock changes in between.
        [$early, $late] = [$zone->getOffset($shown->modify('-1 day')), $zone->getOffset($shown->modify('+1 day'))];
        $before = $shown->modify(\sprintf('%+d seconds', -$early));
        if ($early === $late) {
            return $before;
        }
        $after = $shown->modify(\sprintf('%+d seconds', -$late));
        $isShownAt = static fn (\DateTimeImmutable $instant): bool => $instant->setTimezone($zone)->format('Y-m-d H:i')
            === $shown->format('Y-m-d H:i');

        return !$isShownAt($before) && $isShownAt($after) ? $after : $before;
    }

    /** @param string $pattern as in PHP's date(), without time or zone */
    public function format(string $pattern): string
    {
        return $this->noonUtc()->format($pattern);
    }

    /** The canonical text: "Fri 27 Nov 2026". */
    public function text(): string
    {
        return $this->format('D j M Y');
    }

    public function isBefore(self $other): bool
    {
        return $this->iso < $other->iso;
    }

    public function equals(self $other): bool
    {
        return $this->iso === $other->iso;
    }

    public function __toString(): string
    {
        return $this->iso;
    }

    public function jsonSerialize(): string
    {
        return $this->iso;
    }

    private function daysOfMonth(): int
    {
        $year = $this->year();

        return match ($this->month()) {
            2 => 0 === $year % 400 || (0 === $year % 4 && 0 !== $year % 100) ? 29 : 28,
            4, 6, 9, 11 => 30,
            default => 31,
        };
    }

    private function noonUtc(): \DateTimeImmutable
    {
        return new \DateTimeImmutable($this->iso.' 12:00', new \DateTimeZone('UTC'));
    }
}
