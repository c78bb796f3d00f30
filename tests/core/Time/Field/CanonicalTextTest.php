<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time\Field;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Time\Field\LeadReader;
use ZippyTray\Core\Time\Field\ReadingKind;
use ZippyTray\Core\Time\Field\WhenReader;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Unreadable;

/**
 * Reading the canonical text of any reading gives the same reading, whenever and wherever.
 */
final class CanonicalTextTest extends TestCase
{
    private const ZONES = [
        'UTC', 'Europe/Lisbon', 'Europe/Dublin', 'Europe/Berlin', 'America/New_York', 'America/St_Johns', 'America/Santiago',
        'Asia/Kathmandu',
        'Asia/Kolkata', 'Australia/Lord_Howe', 'Pacific/Auckland', 'Pacific/Apia',
    ];

    private const DAYS = [
        'today', 'tomorrow', 'the day after tomorrow', 'friday', 'next tuesday', 'this week', 'weekend', 'next week', 'next month',
        'next year', 'end of month', 'eoy',
        'in {n} days', 'in {n} weeks', 'in {n} months', 'in {n} working days', 'in a year', 'a week from friday',
        'monday in two weeks', '{d} {m}', '{m} {d}th', '{d}/{k}',
        '{d}.{k}.', '{d}/{k}/2028', '2027-0{n}-1{n}', 'the {d}th', 'first monday of {m}', 'last friday of the month',
        'last working day of {m}', 'end of {m}', '29 feb',
    ];

    private const TIMES = [
        '{h}:{i}',
        '{h}:{i}',
        'at {n}',
        '{n}pm',
        '{n}:{i}am',
        'noon',
        'midnight',
        'morning',
        'end of day',
        'in the evening',
        'half past {n}',
        '{h}:00',
    ];

    private const REPEATS = [
        'every day', 'every {n} days', 'every weekday', 'every working day', 'every {w}', 'every {w} and {w}', 'every other week',
        'every {n} weeks on {w} and {w}', 'every second {w}',
        'monthly', 'every month on the {d}th', 'every {n} months on the 1st and 1{n}th', 'monthly on the last {w}',
        'every first and third {w}', 'every last day of the month',
        'every month on the first working day', 'every quarter', 'yearly', 'every year on {d} {m}',
        'every 2 years on the second {w} of {m}', 'every year on 29 feb',
    ];

    private const ENDS = ['', '', '', ' until end of next year', ' until 31 dec 2031', ' for {n} times', ' for 12 times'];

    private const BEGINNINGS = ['', '', '', ' from next month', ' starting {w}', ' from {d} {m}', ' from 2026-01-0{n}'];

    /** @return iterable<string, array{string}> */
    public static function zones(): iterable
    {
        foreach (self::ZONES as $zone) {
            yield $zone => [$zone];
        }
    }

    #[DataProvider('zones')]
    public function testReadingItAgainGivesTheSame(string $zone): void
    {
        $random = new Randomizer(new Mt19937(crc32($zone)));
        $reader = new WhenReader();
        $kinds = array_fill_keys(array_column(ReadingKind::cases(), 'value'), 0);
        foreach ($this->moments($zone, $random) as $now) {
            foreach ($this->phrases($random) as $phrase) {
                if ($random->getInt(0, 4) > 0) {
                    continue;
                }
                try {
                    $reading = $reader->read($phrase, $now);
                } catch (Unreadable) {
                    continue;
                }
                ++$kinds[$reading->kind->value];
                foreach ([$reading, ...$reading->alternatives] as $one) {
                    $again = $reader->read($one->text(), $now);
                    self::assertSame($one->state(), $again->state(), "{$phrase}, read at {$now->text()} in {$zone}");
                    self::assertSame([], $again->alternatives, $one->text());
                }
                self::assertSame(
                    $reading->state(),
                    $reader->read('  '.mb_strtoupper(str_replace(' ', '   ', $phrase)).' ,', $now)->state(),
                );
            }
        }
        foreach ($kinds as $kind => $count) {
            self::assertGreaterThan(60, $count, $kind);
        }
    }

    /** What is said without a date and without "past" words never lies in the past, and a repeat never begins before now. */
    #[DataProvider('zones')]
    public function testWhatIsToComeIsNeverOver(string $zone): void
    {
        $random = new Randomizer(new Mt19937(crc32($zone) + 1));
        $reader = new WhenReader();
        $read = 0;
        foreach ($this->moments($zone, $random) as $now) {
            foreach ($this->fill(
                [
                    ...array_values(array_filter(self::DAYS, static fn (string $day): bool => !str_contains($day, '20'))),
                    ...self::TIMES,
                    ...self::REPEATS,
                    'in {n} hours',
                    '{n}h{i}',
                    '9{n} min',
                    'this afternoon',
                    'tonight',
                ],
                $random,
            ) as $phrase) {
                if ($random->getInt(0, 2) > 0) {
                    continue;
                }
                try {
                    $reading = $reader->read($phrase, $now);
                } catch (Unreadable) {
                    continue;
                }
                ++$read;
                self::assertFalse($reading->past, "{$phrase} at {$now->text()}");
                if (null !== $reading->moment) {
                    self::assertGreaterThanOrEqual($now->instant, $reading->moment->instant, "{$phrase} at {$now->text()}");
                } else {
                    self::assertFalse($reading->date->isBefore($now->date()), "{$phrase} at {$now->text()}");
                }
            }
        }
        self::assertGreaterThan(300, $read);
    }

    public function testLeadsKeepTheirMeaningToo(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $reader = new LeadReader();
        $leads = ['{n} days before', '{n}h before', '{n} hours and 1{n} minutes before', 'a week before', 'the morning before',
            'the evening before', '{n} working days before at {h}:{i}', 'at the time', 'on the day', 'on the day at {h}:{i}',
            '{n} weeks and {n} days before at noon', '{n} months before in the afternoon', '{n} days before the start',
            'at the time of the start', 'half an hour after', 'the end of day before', '{h}:{i} the day before',
            '{n} years before the due date'];
        for ($round = 0; $round < 60; ++$round) {
            foreach ($this->fill($leads, $random) as $phrase) {
                $lead = $reader->read($phrase);
                self::assertEquals($lead, $reader->read($lead->text()), $phrase.' → '.$lead->text());
                self::assertEquals($lead, $lead::fromState($lead->state()));
            }
        }
    }

    /** @return iterable<string> */
    private function phrases(Randomizer $random): iterable
    {
        $days = $this->fill(self::DAYS, $random);
        $times = $this->fill(self::TIMES, $random);
        yield from $days;
        yield from $times;
        foreach ($days as $number => $day) {
            $time = $times[$number % \count($times)];
            yield 0 === $number % 2 ? "{$day} {$time}" : "{$time} {$day}";
        }
        foreach ($this->fill(self::REPEATS, $random) as $number => $repeat) {
            yield $repeat.(0 === $number % 2 ? '' : ' '.$times[$number % \count($times)]).$this->fill(
                [self::BEGINNINGS[$random->getInt(0, 6)].self::ENDS[$random->getInt(0, 6)]],
                $random,
            )[0];
        }
        yield from $this->fill(
            ['in {n} hours', '{n}h{i}', '{n} days and {n} hours', '9{n} min', 'in half an hour', '{h}h', 'this afternoon', 'tonight'],
            $random,
        );
    }

    /**
     * @param list<string> $patterns
     *
     * @return list<string>
     */
    private function fill(array $patterns, Randomizer $random): array
    {
        $pick = static fn (string ...$words): string => $words[$random->getInt(0, \count($words) - 1)];

        $filled = static fn (array $hole): string => match ($hole[1]) {
            'n' => (string) $random->getInt(1, 9),
            'd' => (string) $random->getInt(1, 31),
            'k' => (string) $random->getInt(1, 12),
            'h' => \sprintf('%02d', $random->getInt(0, 23)),
            'i' => \sprintf('%02d', $random->getInt(0, 59)),
            'm' => $pick('jan', 'february', 'mar', 'april', 'may', 'june', 'jul', 'august', 'sept', 'oct', 'november', 'dec'),
            default => $pick('monday', 'tue', 'wednesday', 'thurs', 'friday', 'sat', 'sunday'),
        };

        return array_map(
            static fn (string $pattern): string => (string) preg_replace_callback('/\{(\w)\}/', $filled, $pattern),
            $patterns,
        );
    }

    /**
     * Every day of the week, the edges of months and years, both clock changes, and some at random.
     *
     * @return iterable<Moment>
     */
    private function moments(string $zone, Randomizer $random): iterable
    {
        $in = Moment::zone($zone);
        $monday = LocalDate::parse('2026-11-23');
        $instants = array_map(
            static fn (int $day): \DateTimeImmutable => $monday->plusDays($day)->at(TimeOfDay::parse('10:00'), $in),
            range(0, 6),
        );
        foreach ([
            '2026-12-31T23:59',
            '2027-01-01T00:00',
            '2027-01-31T12:00',
            '2027-02-28T23:30',
            '2028-02-28T08:00',
            '2028-02-29T10:30',
            '2026-04-30T17:00',
        ] as $edge) {
            $instants[] = Phrases::now($edge, $zone)->instant;
        }
        foreach ($in->getTransitions(1_767_225_600, 1_861_920_000) ?: [] as $number => $change) {
            if ($number > 0 && $number < 5) {
                array_push(
                    $instants,
                    ...array_map(
                        static fn (int $hours): \DateTimeImmutable => new \DateTimeImmutable('@'.($change['ts'] + 3600 * $hours)),
                        [-20, -3, -1, 0, 1],
                    ),
                );
            }
        }
        for ($number = 0; $number < 8; ++$number) {
            $instants[] = new \DateTimeImmutable('@'.$random->getInt(1_767_225_600, 1_861_920_000));
        }
        foreach ($instants as $instant) {
            yield new Moment($instant, $in);
        }
    }
}
