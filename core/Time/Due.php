<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * When something is due: a day of the calendar and nothing else, or a day with a time in a zone.
 *
 * @phpstan-type DueState array{date: string, time: ?string, zone: ?string}
 */
final readonly class Due
{
    private function __construct(
        public LocalDate $date,
        public ?TimeOfDay $time,
        public ?\DateTimeZone $zone,
    ) {
    }

    public static function onDay(LocalDate $date): self
    {
        return new self($date, null, null);
    }

    public static function at(LocalDate $date, TimeOfDay $time, \DateTimeZone $zone): self
    {
        return new self($date, $time, $zone);
    }

    /** The instant in UTC, or null when a whole day is meant. */
    public function instant(): ?\DateTimeImmutable
    {
        return null === $this->time || null === $this->zone ? null : $this->date->at($this->time, $this->zone);
    }

    /**
     * A day is over when the next one has begun in $zone, which is the person's own; a time is over
     * when it has passed.
     */
    public function isOver(\DateTimeInterface $now, \DateTimeZone $zone): bool
    {
        $instant = $this->instant();

        return null === $instant ? $this->date->isBefore(LocalDate::of($now, $zone)) : $instant < $now;
    }

    /** Whether it lies after another; of two on the same day, only times tell. */
    public function isAfter(self $other, \DateTimeZone $zone): bool
    {
        [$mine, $its] = [$this->instant(), $other->instant()];

        return null !== $mine && null !== $its ? $mine > $its : $other->dayIn($zone)->isBefore($this->dayIn($zone));
    }

    /** So many days later; a time stays what the clock shows in the zone in which it was meant. */
    public function plusDays(int $days): self
    {
        return new self($this->date->plusDays($days), $this->time, $this->zone);
    }

    /** The day on which it is due for a person in $zone. */
    public function dayIn(\DateTimeZone $zone): LocalDate
    {
        $instant = $this->instant();

        return null === $instant ? $this->date : LocalDate::of($instant, $zone);
    }

    /** The canonical text: "Fri 27 Nov 2026" or "Fri 27 Nov 2026, 15:00". */
    public function text(): string
    {
        return $this->date->text().(null === $this->time ? '' : ', '.$this->time);
    }

    /** @return DueState */
    public function state(): array
    {
        return ['date' => (string) $this->date, 'time' => $this->time?->__toString(), 'zone' => $this->zone?->getName()];
    }

    /** @param DueState $state */
    public static function fromState(array $state): self
    {
        $date = LocalDate::parse($state['date']);

        return null === $state['time'] || null === $state['zone']
            ? self::onDay($date)
            : self::at($date, TimeOfDay::parse($state['time']), Moment::zone($state['zone']));
    }
}
