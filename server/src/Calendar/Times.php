<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Sabre\VObject\Component;
use Sabre\VObject\Parameter;
use Sabre\VObject\Property;
use Sabre\VObject\Property\ICalendar\DateTime as CalendarTime;
use Sabre\VObject\Property\ICalendar\Duration;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;

/**
 * Days and times in calendar objects: DATE, and DATE-TIME in a zone, in UTC, or floating (RFC 5545, 3.3.4 and 3.3.5).
 */
final readonly class Times
{
    /** Where a time is written in UTC for want of a name, the zone in which it is meant. */
    private const ZONE = 'X-ZIPPY-TRAY-ZONE';

    /** @param \DateTimeZone $own the person's: what is floating is meant there */
    public function __construct(private \DateTimeZone $own)
    {
    }

    /**
     * @return Due|null null: it is not there
     *
     * @throws Refused when it cannot be read
     */
    public function due(Component $component, string $name): ?Due
    {
        $property = self::first($component, $name);
        if (null === $property) {
            return null;
        }
        if (!$property instanceof CalendarTime || '' === trim((string) $property)) {
            throw new Refused(\sprintf('Its %s is no date.', $name));
        }

        return $this->of($property);
    }

    public function of(CalendarTime $property): Due
    {
        $at = $property->getDateTime($this->own);
        if (!$property->hasTime()) {
            return Due::onDay(LocalDate::parse($at->format('Y-m-d')));
        }
        $said = $property[self::ZONE];
        $zone = $said instanceof Parameter ? Moment::zone((string) $said->getValue()) : $at->getTimezone();
        $moment = new Moment($at, 'Z' === $zone->getName() ? new \DateTimeZone('UTC') : $zone);

        return Due::at($moment->date(), $moment->time(), $moment->zone);
    }

    /** @return list<string> the keys of all that are named (see EventTime::key()) */
    public function keys(Property $property): array
    {
        if (!$property instanceof CalendarTime) {
            return [];
        }

        return array_map(
            static fn (\DateTimeInterface $at): string => $property->hasTime()
                ? gmdate('Y-m-d\TH:i:s\Z', $at->getTimestamp())
                : $at->format('Y-m-d'),
            array_values($property->getDateTimes($this->own)),
        );
    }

    /** @return int|null minutes of a DURATION; null: it is not there */
    public static function minutes(Component $component, string $name = 'DURATION'): ?int
    {
        $property = self::first($component, $name);

        return $property instanceof Duration ? self::minutesOf($property->getDateInterval()) : null;
    }

    public static function minutesOf(\DateInterval $interval): int
    {
        return intdiv((new \DateTimeImmutable('@0'))->add($interval)->getTimestamp(), 60);
    }

    public static function first(Component $component, string $name): ?Property
    {
        $first = array_values($component->select($name))[0] ?? null;

        return $first instanceof Property ? $first : null;
    }

    /** @return list<Component|Property> */
    public static function children(Component $component): array
    {
        return array_values(array_filter(
            $component->children(),
            static fn (mixed $child): bool => $child instanceof Component || $child instanceof Property,
        ));
    }

    /** @param array<string, string> $parameters */
    public static function write(Component $component, string $name, Due $due, array $parameters = []): void
    {
        $instant = $due->instant();
        if (null === $instant || null === $due->zone) {
            $component->add($name, $due->date->format('Ymd'), ['VALUE' => 'DATE'] + $parameters);

            return;
        }
        $isNamed = 1 === preg_match('~^[A-Za-z]+/~', $due->zone->getName());
        $component->add(
            $name,
            $isNamed ? $instant->setTimezone($due->zone) : $instant,
            $parameters
                + (str_starts_with($name, 'X-') ? ['VALUE' => 'DATE-TIME'] : [])
                + ($isNamed || 'UTC' === $due->zone->getName() ? [] : [self::ZONE => $due->zone->getName()]),
        );
    }

    /** @return \DateTimeZone|null when it has to be described */
    public static function zoneOf(Due $due): ?\DateTimeZone
    {
        return null !== $due->zone && 1 === preg_match('~^[A-Za-z]+/~', $due->zone->getName()) ? $due->zone : null;
    }
}
