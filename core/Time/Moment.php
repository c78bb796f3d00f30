<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

use ZippyTray\Core\Refused;

/**
 * An instant, with the zone in which it was meant.
 */
final readonly class Moment
{
    /** In UTC, without fractions of a second. */
    public \DateTimeImmutable $instant;

    /** @param \DateTimeZone $zone an IANA zone or a fixed offset */
    public function __construct(\DateTimeInterface $instant, public \DateTimeZone $zone)
    {
        $this->instant = (new \DateTimeImmutable('@'.$instant->getTimestamp()))->setTimezone(new \DateTimeZone('UTC'));
    }

    /** @throws Refused when the system does not know the zone */
    public static function zone(string $name): \DateTimeZone
    {
        try {
            return new \DateTimeZone($name);
        } catch (\Exception) {
            throw new Refused(\sprintf('"%s" is not a time zone that is known here.', $name), 'zone');
        }
    }

    public static function at(LocalDate $date, TimeOfDay $time, \DateTimeZone $zone): self
    {
        return new self($date->at($time, $zone), $zone);
    }

    public function date(): LocalDate
    {
        return LocalDate::of($this->instant, $this->zone);
    }

    public function time(): TimeOfDay
    {
        return TimeOfDay::of($this->instant, $this->zone);
    }

    /**
     * @param string $field that a complaint is about
     *
     * @throws Refused when it is not still to come
     */
    public function mustBeAhead(\DateTimeInterface $now, string $field): void
    {
        if (!$this->isAfter($now)) {
            throw self::past($this->text(), $field);
        }
    }

    /** What is said of a moment or a day that is over. */
    public static function past(string $text, string $field): Refused
    {
        return new Refused(\sprintf('%s is already past. Choose a moment that is still to come.', $text), $field);
    }

    public function isAfter(\DateTimeInterface $now): bool
    {
        return $this->instant > $now;
    }

    /** The canonical text: "Fri 27 Nov 2026, 15:00". */
    public function text(): string
    {
        return $this->date()->text().', '.$this->time();
    }
}
