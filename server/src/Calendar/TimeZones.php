<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VTimeZone;

/**
 * Zones as calendar files describe them (VTIMEZONE, RFC 5545, 3.6.5), for programs that do not know them by name.
 */
final readonly class TimeZones
{
    /** Years that are described from that on in which something begins. */
    private const YEARS = 5;

    /** @param int $since year */
    public static function add(VCalendar $calendar, \DateTimeZone $zone, int $since): void
    {
        $component = $calendar->createComponent('VTIMEZONE', ['TZID' => $zone->getName()], false);
        \assert($component instanceof VTimeZone);
        $calendar->add($component);
        $from = (int) gmmktime(0, 0, 0, 1, 1, $since);
        $transitions = $zone->getTransitions($from, (int) gmmktime(0, 0, 0, 1, 1, $since + self::YEARS)) ?: [];
        $before = $transitions[0]['offset'] ?? 0;
        foreach ($transitions as $number => $transition) {
            // The first is how it was then; where nothing else is known of a zone, it says it all.
            if (0 === $number && \count($transitions) > 1) {
                $before = $transition['offset'];
            }
            $name = $transition['isdst'] ? 'DAYLIGHT' : 'STANDARD';
            $observed = $calendar->createComponent($name, [
                'DTSTART' => gmdate('Ymd\THis', $transition['ts'] + $before),
                'TZOFFSETFROM' => self::offset($before),
                'TZOFFSETTO' => self::offset($transition['offset']),
                'TZNAME' => $transition['abbr'],
            ], false);
            $component->add($observed);
            $before = $transition['offset'];
        }
    }

    private static function offset(int $seconds): string
    {
        return \sprintf('%s%02d%02d', $seconds < 0 ? '-' : '+', intdiv(abs($seconds), 3600), intdiv(abs($seconds) % 3600, 60));
    }
}
