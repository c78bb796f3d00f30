<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

/**
 * Dates of the demo, written relative to the moment of seeding.
 *
 * "-2h": so many hours before now. "+3 08:12": in three days at that time (without one, the time is
 * noon). "+3w": the same, counted in working days, Monday to Friday.
 */
final readonly class RelativeDate
{
    public function __construct(private \DateTimeImmutable $now, private \DateTimeZone $zone)
    {
    }

    public function read(string $text): \DateTimeImmutable
    {
        if (1 !== preg_match('/^([+-]\d+)(h|w)?(?: (\d\d:\d\d))?$/', $text, $m)) {
            throw new \UnexpectedValueException(\sprintf('"%s" is no relative date.', $text));
        }
        $count = (int) $m[1];
        $unit = $m[2] ?? '';
        $now = $this->now->setTimezone($this->zone);
        if ('h' === $unit) {
            return $now->modify(\sprintf('%+d hours', $count));
        }
        $day = $now->modify(\sprintf('%+d %s', $count, 'w' === $unit ? 'weekdays' : 'days'));

        return new \DateTimeImmutable($day->format('Y-m-d').' '.($m[3] ?? '12:00'), $this->zone);
    }

    /** Fills in {{DATE|FORMAT}}, the format as in PHP's date(). */
    public function fill(string $text): string
    {
        return (string) preg_replace_callback(
            '/\{\{([^{}|]+)\|([^{}]+)\}\}/',
            fn (array $m): string => $this->read($m[1])->format($m[2]),
            $text,
        );
    }
}
