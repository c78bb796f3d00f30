<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\InStep;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\InStep\Part;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;

final class PartTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> */
    public static function phrases(): iterable
    {
        // It is Tuesday, 24 November 2026.
        yield 'days' => ['last 14 days', '2026-11-10'];
        yield 'days alone' => ['14 days', '2026-11-10'];
        yield 'weeks' => ['2 weeks', '2026-11-10'];
        yield 'in words' => ['three days', '2026-11-21'];
        yield 'a weekday' => ['since monday', '2026-11-23'];
        yield 'the last of them' => ['last friday', '2026-11-20'];
        yield 'this week' => ['this week', '2026-11-23'];
        yield 'a month' => ['march', '2026-03-01'];
        yield 'a month of last year' => ['Since December', '2025-12-01'];
        yield 'a year' => ['2025', '2025-01-01'];
        yield 'a date' => ['3 may 2024', '2024-05-03'];
        yield 'today' => ['today', '2026-11-24'];
        yield 'all' => ['Everything', null];
    }

    #[DataProvider('phrases')]
    public function testThePartIsReadFromAWhenPhrase(string $phrase, ?string $since): void
    {
        $now = new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new \DateTimeZone('Europe/London'));
        $part = Part::read($phrase, new Speaker($now));
        self::assertSame($since, null === $part->since ? null : (string) $part->since);
    }

    public function testAPartThatCannotBeReadIsRefused(): void
    {
        $now = new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new \DateTimeZone('Europe/London'));
        foreach (['', 'soonish', 'tomorrow', '31 february', 'since', 'drop table', str_repeat('9', 90).' days'] as $phrase) {
            try {
                Part::read($phrase, new Speaker($now));
                self::fail("“{$phrase}” was read.");
            } catch (Refused $problem) {
                self::assertSame('part', $problem->field);
            }
        }
    }

    public function testItBeginsWithTheDayInThePersonsZone(): void
    {
        $zone = new \DateTimeZone('America/New_York');
        $speaker = new Speaker(new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), $zone));
        self::assertSame(1_794_978_000, Part::read('18 november', $speaker)->begins($zone)?->getTimestamp());
        self::assertNull(Part::read('all', $speaker)->begins($zone));
    }
}
