<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\FirstReminder;
use ZippyTray\Core\Task\Jot\Clause;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\ReadOutline;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Tests\Core\World\World;

/**
 * Tasks as people write them down. It is Tuesday 24 November 2026, 10:00.
 */
final class WrittenTest extends TestCase
{
    /** @return iterable<array{string, list<string>}> line, clauses as "kind from-to: reading" */
    public static function lines(): iterable
    {
        yield ['Order brass polish', ['title 0-18: Order brass polish']];
        yield ['Order brass polish; by friday 3pm; remind 2h before; list Supplies; label harbour; high; every month on the 1st; 20 min; '
            .'start monday', [
                'title 0-18: Order brass polish', 'due 20-33: Fri 27 Nov 2026, 15:00', 'reminder 35-51: 2 hours before',
                'list 53-66: Supplies', 'labels 68-81: harbour', 'priority 83-87: high',
                'repeat 89-111: every month on the 1st, from Tue 1 Dec 2026', 'estimate 113-119: 20 minutes', 'unread 121-133: It '
                    .'would begin '
                    .'(Mon 30 Nov 2026) after it is due (Fri 27 Nov 2026, 15:00).',
            ]];
        yield [
            'x; start monday; every month on the 1st',
            ['title 0-1: x', 'start 3-15: Mon 30 Nov 2026', 'repeat 17-39: every month on the 1st, from Tue 1 Dec 2026'],
        ];
        yield ['  Ölen ;; FRIDAY ;', ['title 2-6: Ölen', 'due 10-16: Fri 27 Nov 2026']];
        yield ['x; next friday', ['title 0-1: x', 'due 3-14: Fri 4 Dec 2026 | Fri 27 Nov 2026']];
        yield [
            'x; due tomorrow; 1h 30m; priority low; labels a, B,a',
            [
                'title 0-1: x',
                'due 3-15: Wed 25 Nov 2026',
                'estimate 17-23: 1 hour and 30 minutes',
                'priority 25-37: low',
                'labels 39-52: a, B',
            ],
        ];
        yield [
            'x; remind me friday 9am; remind the morning before; note key is under the mat',
            [
                'title 0-1: x',
                'reminder 3-23: Fri 27 Nov 2026, 09:00',
                'reminder 25-50: the morning before',
                'note 52-77: key is under the mat',
            ],
        ];
        yield ['x; https://glass.example/a?b=1', ['title 0-1: x', 'web 3-30: https://glass.example/a?b=1']];
        yield ['x; 1 min', ['title 0-1: x', 'estimate 3-8: 1 minute']];
        yield ['x; in 20 min', ['title 0-1: x', 'due 3-12: Tue 24 Nov 2026, 10:20']];
        yield ['x; 20 min; 1h', ['title 0-1: x', 'estimate 3-9: 20 minutes', 'unread 11-13: There is an estimate already.']];
        yield [
            'x; every month; by 15 dec',
            ['title 0-1: x', 'repeat 3-14: every month on the 15th, from Tue 15 Dec 2026', 'due 16-25: Tue 15 Dec 2026'],
        ];
        yield [
            'x; blursday; by friday; tuesday',
            [
                'title 0-1: x',
                'unread 3-11: I cannot read "blursday".',
                'due 13-22: Fri 27 Nov 2026',
                'unread 24-31: There is a due date already.',
            ],
        ];
        yield ['x; label; list; start every day; takes 3 days', [
            'title 0-1: x', 'unread 3-8: Which label?', 'unread 10-14: A list needs a name.', 'unread 16-31: A repeat cannot stand here: '
                .'write one day or moment.',
            'unread 33-45: How long it takes is written in hours and minutes: "20 min", "1h 30m".',
        ]];
        yield ['; friday', ['unread 0-0: A task needs a title: what is to be done?', 'due 2-8: Fri 27 Nov 2026']];
    }

    /** @param list<string> $clauses */
    #[DataProvider('lines')]
    public function testALineIsReadClauseByClause(string $line, array $clauses): void
    {
        $read = ReadJot::of($line, self::speaker())->clauses;
        self::assertSame(
            $clauses,
            array_map(
                static fn (Clause $clause): string => "{$clause->kind->value} {$clause->from}-{$clause->to}: ".implode(
                    ' | ',
                    [$clause->reading, ...$clause->others],
                ),
                $read,
            ),
        );
    }

    public function testNothingOfALineIsLost(): void
    {
        $fields = ReadJot::of('Order polish; blursday; by friday; note two tins; high; nonsense 3', self::speaker())->fields;
        self::assertSame(
            ['Order polish', "blursday\ntwo tins\nnonsense 3", 'Fri 27 Nov 2026', Priority::High],
            [$fields->title, $fields->notes, $fields->due?->text(), $fields->priority],
        );
    }

    /** @return iterable<string, array{string, string}> text, outline with "x" for what is done and "." for depth */
    public static function lists(): iterable
    {
        yield 'tabs and spaces' => ["- a\n\t- b\n    - c\n\t    - d", 'a, .b, .c, ..d'];
        yield 'check boxes behind marks' => ["- [x] a\n- [ ] b\n- ☑ c\n- ✓ d\n- [X] 1. e", 'xa, b, xc, xd, xe'];
        yield 'bullets of all kinds' => ["- a\n* b\n• c\n– d\n+ e\n1. f\n2) g\n(3) h\na) i\nj", 'a, b, c, d, e, f, g, h, i, j'];
        yield 'check boxes' => ["[ ] a\n[x] b\n- [X] c\n☐ d\n☑ e\n- [] f", 'a, xb, xc, d, xe, f'];
        yield 'indentation' => ["a\n  b\n    c\n  d\ne", 'a, .b, ..c, .d, e'];
        yield 'tabs' => ["- a\n\t- b\n\t\t- c\n- d", 'a, .b, ..c, d'];
        yield 'crooked indentation' => ["    a\n  b\n   c\nd", 'a, b, .c, d'];
        yield 'numbers within numbers' => ["1. a\n1.1 b\n1.1.1 c\n1.2 d\n2. e", 'a, .b, ..c, .d, e'];
        yield 'a number that is none' => ["- 3.5 litres of paint\n- 2 tins\n- 1. first", '3.5 litres of paint, 2 tins, first'];
        yield 'what is done holds nothing open' => ["[x] a\n  [x] b\n  c\n[x] d\n  [x] e", 'a, .xb, .c, xd, .xe'];
        yield 'empty lines and marks' => ["\n a \n\n-\n- b\r\n", 'a, b'];
    }

    #[DataProvider('lists')]
    public function testAWrittenListIsRead(string $text, string $outline): void
    {
        self::assertSame($outline, implode(', ', $this->flat(ReadOutline::of($text))));
    }

    public function testListsThatAreTooDeepTooLongOrTooWide(): void
    {
        $deep = implode("\n", array_map(static fn (int $depth): string => str_repeat(' ', $depth).'x', range(0, 12)));
        self::assertSame(array_fill(0, 4, str_repeat('.', Task::DEPTH).'x'), \array_slice($this->flat(ReadOutline::of($deep)), -4));
        [$long] = ReadOutline::of(str_repeat('wort ', 100));
        self::assertSame([Task::TITLE_LENGTH, 499], [mb_strlen($long->title), mb_strlen($long->notes)]);
        foreach (["\n - \n", str_repeat("x\n", ReadOutline::LINES + 1)] as $text) {
            try {
                ReadOutline::of($text);
                self::fail('It was read.');
            } catch (Refused $refused) {
                self::assertSame('text', $refused->field);
            }
        }
    }

    /** @return iterable<array{string, ?string, ?string, ?int}> due, lead, moment, estimate */
    public static function reminders(): iterable
    {
        yield 'a tenth of three days is within the same day' => ['2026-11-27', 'on the day in the morning', 'Fri 27 Nov 2026, 09:00', null];
        yield ['2026-11-27 15:00', 'the morning before', 'Thu 26 Nov 2026, 09:00', null];
        yield ['2026-12-04', 'the morning before', 'Thu 3 Dec 2026, 09:00', null];
        yield 'not on a Sunday' => ['2026-11-30 09:00', '3 days before in the morning', 'Fri 27 Nov 2026, 09:00', null];
        yield 'at most three working days' => ['2027-03-01', '5 days before in the morning', 'Wed 24 Feb 2027, 09:00', null];
        yield 'at least an hour' => ['2026-11-24 17:00', '1 hour before', 'Tue 24 Nov 2026, 16:00', null];
        yield 'of today' => ['2026-11-24', 'Tue 24 Nov 2026, 16:00', 'Tue 24 Nov 2026, 16:00', null];
        yield 'not in the night' => ['2026-11-25 09:00', 'the end of day before', 'Tue 24 Nov 2026, 17:00', null];
        yield 'the work has to fit in' => ['2026-11-26 12:00', 'the morning before', 'Wed 25 Nov 2026, 09:00', 20 * 60];
        yield 'within the hour' => ['2026-11-24 10:45', null, null, null];
        yield 'over' => ['2026-11-20', null, null, null];
    }

    #[DataProvider('reminders')]
    public function testTheFirstReminderComesEarlyEnough(string $due, ?string $lead, ?string $moment, ?int $estimate): void
    {
        $date = LocalDate::parse(substr($due, 0, 10));
        $at = 10 === \strlen($due) ? Due::onDay($date) : Due::at($date, TimeOfDay::parse(substr($due, 11)), World::zone());
        $reminder = (new FirstReminder())->of($at, self::speaker()->now, new TimeSettings(), $estimate);
        self::assertSame(
            [$lead, $moment],
            [$reminder?->text(), $reminder?->moment(null, $at, World::zone(), new TimeSettings(), self::speaker()->now->instant)?->text()],
        );
    }

    /** @return iterable<string, array{string, list<string>}> a line, what is odd about its clauses */
    public static function oddLines(): iterable
    {
        yield 'nothing' => ['x; friday; remind 2h before; list Supplies; every friday', ['', '', '', '', '']];
        yield 'a due that is past' => ['x; 3 nov 2026', ['', 'That is past already.']];
        yield 'a moment that is past' => ['x; today at 9', ['', 'That is past already.']];
        yield 'today is not past' => ['x; today', ['', '']];
        yield 'a reminder that is past' => ['x; remind 3 nov 2026', ['', 'That is past already: it does not remind.']];
        yield 'a lead that comes too late' => ['x; tomorrow; remind 2 days before', ['', '', 'That is past already: it does not remind.']];
        yield 'a lead without a date' => ['x; remind 2h before', ['', 'It counts from a date, and there is none: it does not remind.']];
        yield 'a lead before its date' => ['x; remind 2h before; friday', ['', '', '']];
        yield 'a new list' => ['x; list Boats', ['', 'There is no such list yet: it is made.']];
        yield 'a known list' => ['x; list supplies', ['', '']];
        yield 'a due beside its repeat' => [
            'x; friday; every monday',
            ['', '', 'The due (Fri 27 Nov) is no day of it: it is due then, and after that Mon 30 Nov.'],
        ];
    }

    /** @param list<string> $odd */
    #[DataProvider('oddLines')]
    public function testWhatIsOddIsSaid(string $line, array $odd): void
    {
        self::assertSame($odd, array_column(ReadJot::of($line, self::speaker(), ['Supplies'])->clauses, 'odd'));
    }

    public function testItNeverComesOnADayOffWhenAWorkingDayIsFreeBeforeIt(): void
    {
        [$settings, $zone, $first] = [new TimeSettings(), World::zone(), new FirstReminder()];
        $held = 0;
        for ($hours = 0; $hours < 7 * 24; $hours += 5) {
            $now = new Moment((new \DateTimeImmutable('2026-11-23T00:30', $zone))->modify("+{$hours} hours"), $zone);
            for ($ahead = 2; $ahead < 12 * 24; $ahead += 7) {
                $end = new Moment($now->instant->modify("+{$ahead} hours"), $zone);
                foreach ([Due::onDay($end->date()), Due::at($end->date(), $end->time(), $zone)] as $due) {
                    $moment = $first->of($due, $now, $settings)?->moment(null, $due, $zone, $settings, $now->instant);
                    if (null === $moment || $settings->week->isWorkingDay($moment->date())) {
                        continue;
                    }
                    for ($day = $now->date(); (string) $day < (string) $moment->date(); $day = $day->plusDays(1)) {
                        $isFree = $settings->week->isWorkingDay($day) && $day->at($settings->at(DayMark::EndOfDay), $zone) > $now->instant;
                        self::assertFalse($isFree, "{$now->text()}: due {$due->text()}, reminds {$moment->text()}, and {$day} is free");
                    }
                    ++$held;
                }
            }
        }
        self::assertGreaterThan(10, $held, 'What begins on a day off is reminded of on one.');
    }

    public function testThePersonDecidesHowEarly(): void
    {
        $due = Due::onDay(LocalDate::parse('2026-12-24'));
        self::assertNull((new FirstReminder(0))->of($due, self::speaker()->now, new TimeSettings()));
        self::assertSame(
            '6 days before in the morning',
            (new FirstReminder(20, 10))->of($due, self::speaker()->now, new TimeSettings())?->text(),
        );
        foreach ([[0, 1, ''], [50, 30, ''], [51, 3, 'reminderPercent'], [-1, 3, 'reminderPercent'], [10, 0, 'reminderDays'],
            [10, 31, 'reminderDays']] as [$percent, $days, $refused]) {
            try {
                $first = new FirstReminder($percent, $days);
                self::assertSame([$percent, $days, ''], [$first->percent, $first->mostWorkingDays, $refused]);
            } catch (Refused $problem) {
                self::assertSame($refused, $problem->field);
            }
        }
    }

    /**
     * @param list<Outline> $outlines
     *
     * @return list<string>
     */
    private function flat(array $outlines, string $depth = ''): array
    {
        $flat = [];
        foreach ($outlines as $outline) {
            array_push($flat, $depth.($outline->done ? 'x' : '').$outline->title, ...$this->flat($outline->under, $depth.'.'));
        }

        return $flat;
    }

    private static function speaker(): Speaker
    {
        return new Speaker(new Moment(new \DateTimeImmutable('2026-11-24T10:00', World::zone()), World::zone()));
    }
}
