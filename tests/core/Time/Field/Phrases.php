<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time\Field;

use ZippyTray\Core\Time\Field\Reading;
use ZippyTray\Core\Time\Field\WhenReader;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Unreadable;

/**
 * Tables of phrases. A line is "phrase = canonical text ; rule ~ alternative ~ alternative", of which the text
 * comes without "~" parts when there are none; a refusal is "phrase ! offset sentence".
 */
final readonly class Phrases
{
    /** @return iterable<string, array{string, string, string, string}> now, zone, phrase, expected */
    public static function table(string $now, string $zone, string $table): iterable
    {
        foreach (explode("\n", (string) preg_replace('/\n {4,}(?=[=!;~] )/', ' ', trim($table))) as $line) {
            $at = strcspn($line, '=!');
            $phrase = trim(substr($line, 0, $at));
            yield "{$now} {$zone}: {$phrase}" => [$now, $zone, $phrase, trim(substr($line, '!' === $line[$at] ? $at : $at + 1))];
        }
    }

    public static function now(string $now, string $zone): Moment
    {
        [$date, $time] = explode('T', $now);

        return Moment::at(LocalDate::parse($date), TimeOfDay::parse($time), Moment::zone($zone));
    }

    public static function answer(WhenReader $reader, string $phrase, Moment $now): string
    {
        try {
            $reading = $reader->read($phrase, $now);
        } catch (Unreadable $problem) {
            return \sprintf('! %d %s', $problem->offset, $problem->getMessage());
        }

        return $reading->text().(null === $reading->rrule() ? '' : ' ; '.$reading->rrule()).($reading->past ? ' (past)' : '')
            .implode('', array_map(static fn (Reading $other): string => ' ~ '.$other->text(), $reading->alternatives));
    }
}
