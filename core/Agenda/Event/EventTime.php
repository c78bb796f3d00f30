<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * When an event takes place: from a moment so many minutes, or whole days, which are days of the calendar wherever somebody is.
 *
 * @phpstan-import-type DueState from Due
 *
 * @phpstan-type EventTimeState array{begins: DueState, minutes: int, days: int}
 */
final readonly class EventTime
{
    /** In days. */
    public const LONGEST = 366;

    private function __construct(public Due $begins, public int $minutes, public int $days)
    {
    }

    /**
     * @param Due $begins a day with a time in a zone; without one, it is the whole day
     *
     * @throws Refused when it is longer than can be, or ends before it begins
     */
    public static function from(Due $begins, int $minutes): self
    {
        if (null === $begins->time) {
            return self::days($begins->date, 1);
        }
        if ($minutes < 0 || $minutes > 1440 * self::LONGEST) {
            throw new Refused($minutes < 0 ? 'It cannot end before it begins.' : 'An event can last a year.', 'end');
        }

        return new self($begins, $minutes, 0);
    }

    /** @throws Refused likewise */
    public static function days(LocalDate $first, int $days): self
    {
        if ($days < 1 || $days > self::LONGEST) {
            throw new Refused($days < 1 ? 'It cannot end before it begins.' : 'An event can last a year.', 'end');
        }

        return new self(Due::onDay($first), 0, $days);
    }

    public function isWholeDays(): bool
    {
        return $this->days > 0;
    }

    /** @return Moment|null null: it takes whole days */
    public function start(): ?Moment
    {
        $instant = $this->begins->instant();

        return null === $instant || null === $this->begins->zone ? null : new Moment($instant, $this->begins->zone);
    }

    /** @return Moment|null likewise; minutes are those that pass, also where the clock changes */
    public function end(): ?Moment
    {
        $start = $this->start();

        return null === $start ? null : new Moment($start->instant->modify("+{$this->minutes} minutes"), $start->zone);
    }

    public function firstDay(\DateTimeZone $zone): LocalDate
    {
        return $this->begins->dayIn($zone);
    }

    /** The last day that has something of it. What ends at midnight does not reach into the next day. */
    public function lastDay(\DateTimeZone $zone): LocalDate
    {
        $end = $this->end();

        return null === $end
            ? $this->begins->date->plusDays($this->days - 1)
            : LocalDate::of($this->minutes > 0 ? $end->instant->modify('-1 second') : $end->instant, $zone);
    }

    /** @return array{int, int} seconds since 1970 from which until which it lasts for somebody in $zone */
    public function seconds(\DateTimeZone $zone): array
    {
        $midnight = TimeOfDay::parse('00:00');

        return null === $this->start()
            ? [
                $this->begins->date->at($midnight, $zone)->getTimestamp(),
                $this->begins->date->plusDays($this->days)->at($midnight, $zone)->getTimestamp(),
            ]
            : [$this->start()->instant->getTimestamp(), $this->start()->instant->getTimestamp() + 60 * $this->minutes];
    }

    /** By which one of a series is named (RECURRENCE-ID, RFC 5545, 3.8.4.4): "2026-11-27", or an instant "2026-11-27T09:00:00Z". */
    public function key(): string
    {
        return $this->start()?->instant->format('Y-m-d\TH:i:s\Z') ?? (string) $this->begins->date;
    }

    /** The same on another day, by the clocks of its own zone. */
    public function on(LocalDate $date): self
    {
        return new self(
            null === $this->begins->time || null === $this->begins->zone
                ? Due::onDay($date)
                : Due::at($date, $this->begins->time, $this->begins->zone),
            $this->minutes,
            $this->days,
        );
    }

    /** As long again, from when this one ends. */
    public function next(): self
    {
        $end = $this->end();

        return null === $end
            ? $this->on($this->begins->date->plusDays($this->days))
            : new self(Due::at($end->date(), $end->time(), $end->zone), $this->minutes, 0);
    }

    /** The same from another moment, or day. */
    public function beginning(string $key): self
    {
        if (null === $this->begins->zone) {
            return $this->on(LocalDate::parse(substr($key, 0, 10)));
        }
        $at = new Moment(new \DateTimeImmutable($key), $this->begins->zone);

        return new self(Due::at($at->date(), $at->time(), $at->zone), $this->minutes, $this->days);
    }

    /** "Fri 27 Nov 2026, 14:00 to 16:00", "Fri 27 Nov 2026 to Sun 29 Nov 2026". */
    public function text(): string
    {
        $end = $this->end();
        if (null === $end) {
            return $this->begins->text().($this->days > 1 ? ' to '.$this->begins->date->plusDays($this->days - 1)->text() : '');
        }
        if (0 === $this->minutes) {
            return $this->begins->text();
        }

        return $this->begins->text().' to '.($end->date()->equals($this->begins->date) ? $end->time() : $end->text());
    }

    /** @return EventTimeState */
    public function state(): array
    {
        return ['begins' => $this->begins->state(), 'minutes' => $this->minutes, 'days' => $this->days];
    }

    /** @param EventTimeState $state */
    public static function fromState(array $state): self
    {
        return new self(Due::fromState($state['begins']), $state['minutes'], $state['days']);
    }
}
