<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Find;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Find\Clause;
use ZippyTray\Core\Find\KnownNames;
use ZippyTray\Core\Find\Node\All;
use ZippyTray\Core\Find\Node\Any;
use ZippyTray\Core\Find\Node\Node;
use ZippyTray\Core\Find\Node\Not;
use ZippyTray\Core\Find\Node\Refined;
use ZippyTray\Core\Find\Node\Word;
use ZippyTray\Core\Find\ReadPeriod;
use ZippyTray\Core\Find\ReadSearch;
use ZippyTray\Core\Find\Refine;
use ZippyTray\Core\Find\Refinement;
use ZippyTray\Core\Find\Search;
use ZippyTray\Core\Find\Sort;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;

/**
 * What is typed to find something. Now is Tuesday 24 November 2026, 10:00.
 */
final class ReadSearchTest extends TestCase
{
    #[DataProvider('searches')]
    public function testItIsReadAs(string $typed, string $read): void
    {
        self::assertSame($read, self::text(self::read($typed)->node));
    }

    /** @return iterable<array{string, string}> */
    public static function searches(): iterable
    {
        // words, phrases, not, or, brackets
        yield ['', ''];
        yield ['   ', ''];
        yield ['tam lant', 'tam* lant*'];
        yield ['"lantern glass" tam', '"lantern glass" tam*'];
        yield ['slates or tiles', '(slates* | tiles*)'];
        yield ['wicks slates or tiles', '(wicks* slates* | tiles*)'];
        yield ['wicks (slates or tiles)', 'wicks* (slates* | tiles*)'];
        yield ['slates not welsh', 'slates* -welsh*'];
        yield ['slates NOT (welsh OR spanish)', 'slates* -(welsh* | spanish*)'];
        yield ['not not slates', 'slates*'];
        yield ['slates and tiles', 'slates* tiles*'];
        yield ['"or" "not"', '"or" "not"'];
        yield ['or', ''];
        yield ['or or slates', 'slates*'];
        yield ['not', ''];
        yield ['((slates', 'slates*'];
        yield ['slates) tiles', 'slates* tiles*'];
        yield [')) (( )', ''];
        yield ['"unclosed phrase', '"unclosed phrase"'];
        yield ['“curly quotes”', '"curly quotes"'];
        yield ['e-mail', 'e-mail*'];
        yield ['--- !!', ''];
        yield ['部屋', '部屋*'];
        // who
        yield ['from ada', 'from:ada'];
        yield ['from ada quill', 'from:ada quill'];
        yield ['from ada lantern', 'from:ada lantern*'];
        yield ['from "Ada Quill" lantern', 'from:Ada Quill lantern*'];
        yield ['from nobody', 'from:nobody'];
        yield ['not from ada', '-from:ada'];
        yield ['from ada or from tam', '(from:ada | from:tam)'];
        yield ['from me to petra', 'from:me to:petra'];
        yield ['to kit@x.example', 'to:kit@x.example'];
        yield ['with petra lindqvist', 'with:petra lindqvist'];
        yield ['letter to the county', 'letter* to* the* county*'];
        yield ['a note from the harbour', 'a* note* from* the* harbour*'];
        yield ['what to do', 'what* to* do*'];
        yield ['tea with cake', 'tea* with* cake*'];
        yield ['from', 'from*'];
        // when
        yield ['before last friday', 'before:2026-11-20'];
        yield ['after 3 may', 'after:2026-05-03'];
        yield ['since last monday slates', 'since:2026-11-23 slates*'];
        yield ['in march', 'on:2026-03-01..2026-03-31'];
        yield ['slates in march 2025 from ada', 'slates* on:2025-03-01..2025-03-31 from:ada'];
        yield ['this week', 'on:2026-11-23..2026-11-29'];
        yield ['not this week', '-on:2026-11-23..2026-11-29'];
        yield ['yesterday', 'on:2026-11-23'];
        yield ['3 weeks ago', 'on:2026-11-02..2026-11-08'];
        yield ['on friday', 'on:2026-11-20'];
        yield ['last 3 days tam', 'on:2026-11-21..2026-11-24 tam*'];
        yield ['march', 'march*'];
        yield ['friday', 'friday*'];
        yield ['meeting on the roof', 'meeting* on* the* roof*'];
        // where, and what is it in
        yield ['in tray', 'place:tray'];
        yield ['in the archive slates', 'place:archive slates*'];
        yield ['not in bin', '-place:bin'];
        yield ['in muted', 'place:muted'];
        yield ['in the porch', 'in* the* porch*'];
        yield ['list roof', 'list:l1'];
        yield ['list roof survey', 'list:l3'];
        yield ['list lan', 'list:l2'];
        yield ['list of slates', 'list* of* slates*'];
        yield ['label money', 'label:b1'];
        yield ['label roof survey slates', 'label:b2 slates*'];
        yield ['stage date offered', 'stage:Date offered'];
        // what it is
        yield ['with attachment', 'attachment:'];
        yield ['with attachments from ada', 'attachment: from:ada'];
        yield ['with pdf', 'file_kind:pdf'];
        yield ['with a photo', 'file_kind:picture'];
        yield ['with pictures', 'file_kind:picture'];
        yield ['file leaflet', 'file:leaflet'];
        yield ['asks something', 'asks:'];
        yield ['slates asks for something', 'slates* asks:'];
        yield ['with open task', 'task:'];
        yield ['owed', 'owed:'];
        yield ['decided as archived', 'decided:archive'];
        yield ['decided as handed over', 'decided:delegate'];
        yield ['undecided', 'undecided:'];
        yield ['larger than 5 MB', 'larger:5000000'];
        yield ['larger than 1.5m', 'larger:1500000'];
        yield ['unread', 'unread:'];
        // tasks
        yield ['due tomorrow', 'due:2026-11-25'];
        yield ['due this week', 'due:2026-11-23..2026-11-29'];
        yield ['due by friday', 'due_before:2026-11-27'];
        yield ['due in march', 'due:2027-03-01..2027-03-31'];
        yield ['overdue high priority', 'overdue: priority:high'];
        yield ['priority low', 'priority:low'];
        yield ['top priority', 'top* priority*'];
        yield ['without date', 'without_date:'];
        yield ['repeats is done', 'repeats: done:'];
        yield ['open day', 'open* day*'];
        // quotes are never a refinement
        yield ['"from ada"', '"from ada"'];
        yield ['"overdue"', '"overdue"'];
    }

    #[DataProvider('unreadable')]
    public function testWhatCannotBeReadSaysSoAndFindsNothing(string $typed, string $why): void
    {
        $search = self::read($typed);
        self::assertTrue($search->isUnread());
        self::assertNull($search->node);
        self::assertFalse($search->canFind(Sort::Mail));
        $readings = array_map(static fn (Clause $clause): string => $clause->reading, $search->clauses);
        self::assertContains($why, $readings);
    }

    /** @return iterable<array{string, string}> */
    public static function unreadable(): iterable
    {
        yield ['before blursday', '“blursday” is no day that I can read.'];
        yield ['slates before', '“before”: which day?'];
        yield ['before the storm', '“the” is no day that I can read.'];
        yield ['due someday slates', '“someday” is no day that I can read.'];
        yield ['list nowhere', 'There is no list “nowhere”.'];
        yield ['list ro', 'More than one list begins with “ro”.'];
        yield ['not label nothing', 'There is no label “nothing”.'];
        yield ['decided as fish', 'There is no decision “fish”.'];
        yield ['decided as', 'Decided as what?'];
        yield ['larger than a house', '“larger than”: how large? Say it as 5 MB.'];
        yield ['larger than', '“larger than”: how large? Say it as 5 MB.'];
        yield ['priority 1', 'A priority is high, normal or low.'];
    }

    public function testEachRefinementKnowsWhereItStands(): void
    {
        $typed = 'slätes not from ada quill (before last friday or "in march") überfällig in tray';
        $search = self::read($typed);
        self::assertSame([
            ['not from ada quill', 'from ada quill', true],
            ['before last friday', 'before Fri 20 Nov 2026', false],
            ['in tray', 'in the tray', false],
        ], array_map(static fn (Clause $clause): array => [
            mb_substr($typed, $clause->from, $clause->to - $clause->from), $clause->reading, $clause->not,
        ], $search->clauses));
        self::assertSame(['slätes', 'in', 'march', 'überfällig'], $search->words());
    }

    public function testWhatIsAskedOfMailAloneFindsNoTasks(): void
    {
        self::assertTrue(self::read('slates list roof')->canFind(Sort::Task));
        self::assertFalse(self::read('slates in tray')->canFind(Sort::Task));
        self::assertFalse(self::read('slates overdue')->canFind(Sort::Mail));
        self::assertTrue(self::read('slates')->canFind(Sort::Person));
        self::assertFalse(self::read('slates this week')->canFind(Sort::Person));
    }

    /** Whatever is typed is read, in a bounded time, without a fault. */
    public function testAnythingIsRead(): void
    {
        mt_srand(3);
        $words = [
            ...Refine::leads(),
            'or',
            'not',
            'and',
            '(',
            ')',
            '"',
            'ada',
            'friday',
            'march',
            '5 MB',
            'roof',
            '部屋',
            "\xff",
            'é',
            '-',
            'the',
        ];
        for ($turn = 0; $turn < 1500; ++$turn) {
            $typed = '';
            for ($count = mt_rand(1, 14); $count > 0; --$count) {
                $typed .= $words[mt_rand(0, \count($words) - 1)].(mt_rand(0, 5) ? ' ' : '');
            }
            $search = self::read($typed);
            $length = mb_strlen(mb_scrub($typed));
            $before = 0;
            foreach ($search->clauses as $clause) {
                self::assertGreaterThanOrEqual($before, $clause->from, $typed);
                self::assertGreaterThan($clause->from, $clause->to, $typed);
                self::assertLessThanOrEqual($length, $clause->to, $typed);
                $before = $clause->to;
            }
        }
        self::assertNull(self::read(str_repeat('(', 400))->node);
        self::assertSame([], self::read(str_repeat('not ', 300).'a')->clauses);
    }

    #[DataProvider('periods')]
    public function testDaysAreRead(string $phrase, ?string $behind, ?string $ahead): void
    {
        $text = static fn (bool $isAhead): ?string => self::days((new ReadPeriod(self::speaker(), $isAhead))->read($phrase));
        self::assertSame([$behind, $ahead], [$text(false), $text(true)]);
    }

    /** @return iterable<array{string, string|null, string|null}> */
    public static function periods(): iterable
    {
        yield ['today', '2026-11-24', '2026-11-24'];
        yield ['friday', '2026-11-20', '2026-11-27'];
        yield ['last friday', '2026-11-20', '2026-11-20'];
        yield ['tuesday', '2026-11-24', '2026-12-01'];
        yield ['last tuesday', '2026-11-17', '2026-11-17'];
        yield ['last week', '2026-11-16..2026-11-22', '2026-11-16..2026-11-22'];
        yield ['last weekend', '2026-11-21..2026-11-22', '2026-11-21..2026-11-22'];
        yield ['this quarter', '2026-10-01..2026-12-31', '2026-10-01..2026-12-31'];
        yield ['next month', '2026-12-01..2026-12-31', '2026-12-01..2026-12-31'];
        yield ['november', '2026-11-01..2026-11-30', '2026-11-01..2026-11-30'];
        yield ['december', '2025-12-01..2025-12-31', '2026-12-01..2026-12-31'];
        yield ['last november', '2025-11-01..2025-11-30', '2025-11-01..2025-11-30'];
        yield ['last may', '2026-05-01..2026-05-31', '2026-05-01..2026-05-31'];
        yield ['2025', '2025-01-01..2025-12-31', '2025-01-01..2025-12-31'];
        yield ['two days ago', '2026-11-22', '2026-11-22'];
        yield ['a month ago', '2026-10-01..2026-10-31', '2026-10-01..2026-10-31'];
        yield ['last two weeks', '2026-11-10..2026-11-24', '2026-11-10..2026-11-24'];
        yield ['27/11', '2025-11-27', '2026-11-27'];
        yield ['27/11/2025', '2025-11-27', '2025-11-27'];
        yield ['the 3rd', '2026-11-03', '2026-12-03'];
        yield ['christmas', '2025-12-25', '2026-12-25'];
        yield ['week 12', '2026-03-16..2026-03-22', '2027-03-22..2027-03-28'];
        yield ['q1', '2026-01-01..2026-03-31', '2027-01-01..2027-03-31'];
        yield ['blursday', null, null];
        yield ['every friday', null, null];
        yield ['15:00', null, null];
        yield ['', null, null];
        yield [str_repeat('friday ', 40), null, null];
    }

    private static function speaker(): Speaker
    {
        return new Speaker(new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new \DateTimeZone('Europe/Lisbon')));
    }

    private static function read(string $typed): Search
    {
        return ReadSearch::of($typed, new Refine(self::speaker(), new class implements KnownNames {
            public function lists(): array
            {
                return ['l1' => 'Roof', 'l2' => 'Lantern', 'l3' => 'Roof survey'];
            }

            public function labels(): array
            {
                return ['b1' => 'money', 'b2' => 'roof survey'];
            }

            public function stages(): array
            {
                return ['Asked', 'Date offered'];
            }

            public function isPerson(string $words): bool
            {
                return \in_array(mb_strtolower($words), ['ada', 'ada quill', 'tam', 'petra', 'petra lindqvist'], true);
            }
        }));
    }

    private static function text(?Node $node): string
    {
        return match (true) {
            $node instanceof Word => $node->isPhrase ? '"'.$node->text.'"' : $node->text.'*',
            $node instanceof All => self::each($node->of, ' '),
            $node instanceof Any => '('.self::each($node->of, ' | ').')',
            $node instanceof Not => '-'.self::text($node->of),
            $node instanceof Refined => $node->what->value.':'.$node->value.(Refinement::On === $node->what || null !== $node->period
                ? self::daysOf($node)
                : ''),
            default => '',
        };
    }

    /** @param list<Node> $of */
    private static function each(array $of, string $by): string
    {
        return implode($by, array_map(static fn (Node $one): string => self::text($one), $of));
    }

    private static function daysOf(Refined $node): string
    {
        $day = match ($node->what) {
            Refinement::Before, Refinement::Since, Refinement::DueBefore => $node->period?->from,
            Refinement::After, Refinement::DueAfter => $node->period?->to,
            default => null,
        };

        return null === $day ? (string) self::days($node->period) : (string) $day;
    }

    private static function days(?\ZippyTray\Core\Find\Period $period): ?string
    {
        if (null === $period) {
            return null;
        }

        return $period->from->equals($period->to) ? (string) $period->from : $period->from.'..'.$period->to;
    }
}
