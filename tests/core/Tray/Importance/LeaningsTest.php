<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Importance;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Advice\Circumstances;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Importance\Leanings;
use ZippyTray\Core\Tray\Importance\Shown;
use ZippyTray\Core\Tray\Importance\Traits;

/**
 * How often what is proposed is what somebody does, and one key is enough: held against the people of Persons.
 */
final class LeaningsTest extends TestCase
{
    private const LETTERS = 2000;

    private const OUT_OF_CHARACTER = 0.07;

    /** Behind how many decisions each column begins. */
    private const FROM = [0, 50, 200, 1000];

    /** In per cent, by column: the least that is taken. Behind 94 nothing is left but what is out of character. */
    private const LEAST = [
        'answers the customers' => [56, 76, 90, 91],
        'only what is to them alone' => [56, 72, 88, 88],
        'two subjects, whoever writes' => [60, 72, 86, 87],
        'only what is asked' => [70, 84, 91, 91],
        'some always, some when they ask' => [56, 76, 82, 87],
        'reads newsletters, and hardly anything else' => [56, 82, 88, 90],
        'by dates' => [60, 78, 89, 91],
        'other customers after a thousand' => [56, 76, 90, 80],
    ];

    public function testWhatIsProposedIsWhatIsDone(): void
    {
        self::assertSame(array_keys(self::LEAST), array_keys(Persons::all()));
        $table = [\sprintf("\n  %-46s %6s %6s %6s %6s", 'One key was enough, per cent', '-50', '-200', '-1000', '-2000')];
        $short = [];
        foreach (Persons::all() as $name => $habit) {
            $reached = self::lived($habit, 21);
            $table[] = \sprintf('  %-46s %6d %6d %6d %6d', $name, ...$reached);
            foreach ($reached as $column => $share) {
                if ($share < self::LEAST[$name][$column]) {
                    $short[] = "{$name}, column {$column}: {$share}";
                }
            }
        }
        fwrite(\STDERR, implode("\n", $table)."\n");
        self::assertSame([], $short);
    }

    /** @return iterable<string, array{AdvisedDecision, AdvisedDecision}> */
    public static function changes(): iterable
    {
        yield 'what was archived is deleted' => [AdvisedDecision::Archive, AdvisedDecision::Delete];
        yield 'what was deleted becomes a task' => [AdvisedDecision::Delete, AdvisedDecision::Task];
    }

    #[DataProvider('changes')]
    public function testAChangedHabitIsFollowedAfterAFewLetters(AdvisedDecision $before, AdvisedDecision $after): void
    {
        $leanings = new Leanings();
        $traits = new Traits(['list news.example', 'kind newsletter', 'tells', 'alone']);
        for ($number = 0; $number < 200; ++$number) {
            $leanings->learn($traits, $before);
        }
        self::assertSame($before, $leanings->likely($traits)?->decision);
        for ($letters = 0; $after !== $leanings->likely($traits)?->decision; ++$letters) {
            self::assertLessThan(15, $letters);
            $leanings->learn($traits, $after);
        }
        fwrite(\STDERR, \sprintf("\n  Followed after %2d letters: %s\n", $letters, $this->dataName()));
    }

    public function testNothingIsProposedOfWhomNothingIsKnown(): void
    {
        $leanings = new Leanings();
        $traits = new Traits(['from olga@roofs.example', 'asks']);
        $of = $leanings->of($traits);
        self::assertEqualsWithDelta(array_fill_keys(array_keys($of), 1 / \count(AdvisedDecision::cases())), $of, 1e-12);
        for ($number = 1; $number <= 5; ++$number) {
            self::assertNull($leanings->likely($traits), "After {$number} decisions less one.");
            $leanings->learn($traits, AdvisedDecision::Now);
        }
        self::assertSame(AdvisedDecision::Now, $leanings->likely($traits)?->decision);
        self::assertNull($leanings->likely(new Traits(['from tam@glass.example', 'tells'])), 'It says nothing of others.');
        self::assertEqualsWithDelta(1.0, array_sum($leanings->of($traits)), 1e-12);
    }

    public function testWhatIsKeptGivesTheSameAgain(): void
    {
        [$once, $kept] = [new Leanings(), []];
        $correspondence = new Correspondence(5);
        for ($number = 0; $number < 120; ++$number) {
            $traits = $correspondence->letter()->traits();
            self::assertSame($once->of($traits), (new Leanings($kept, $number))->of($traits));
            $kept = [...$kept, ...$once->learn($traits, AdvisedDecision::cases()[$number % 5])];
        }
    }

    public function testWhatWasDoneEachTimeNeedsToBeLessLikely(): void
    {
        $leanings = new Leanings(['from olga@roofs.example' => [['now' => 1.8], 6]], 6);
        $traits = new Traits(['from olga@roofs.example']);
        self::assertNull($leanings->likely($traits));
        self::assertNull($leanings->likely($traits, AdvisedDecision::Task));
        self::assertSame(AdvisedDecision::Now, $leanings->likely($traits, AdvisedDecision::Now)?->decision);
    }

    public function testAWordOfTheirsCountsAtOnceAndIsNotUnlearned(): void
    {
        $traits = new Traits(['list news.example', 'kind newsletter', 'tells', 'alone']);
        $leanings = new Leanings(said: ['list news.example' => AdvisedDecision::Task]);
        $said = $leanings->likely($traits);
        self::assertSame([AdvisedDecision::Task, true], [$said?->decision, $said?->said]);
        for ($number = 0; $number < 10; ++$number) {
            $leanings->learn($traits, AdvisedDecision::Archive);
        }
        self::assertSame(AdvisedDecision::Task, $leanings->likely($traits)?->decision);
        self::assertFalse($leanings->likely(new Traits(['list other.example', 'kind newsletter', 'tells', 'alone']))->said ?? true);
    }

    /**
     * @param \Closure(SimulatedLetter, int): Shown $habit
     *
     * @return list<int> per cent by column
     */
    private static function lived(\Closure $habit, int $seed): array
    {
        $correspondence = new Correspondence($seed);
        $leanings = new Leanings();
        $adviser = new Adviser();
        $today = LocalDate::parse('2026-11-24');
        [$right, $all] = [[0, 0, 0, 0], [0, 0, 0, 0]];
        for ($number = 0; $number < self::LETTERS; ++$number) {
            $letter = $correspondence->letter();
            $done = self::decision($correspondence->share() < self::OUT_OF_CHARACTER
                ? Shown::cases()[$correspondence->chance()->getInt(0, 5)]
                : $habit($letter, $number));
            $traits = $letter->traits();
            $proposed = $adviser->advise(
                [$letter->findings],
                new Circumstances($today, Habit::none(), leaning: $leanings->likely($traits)),
            )->decision;
            $column = \count(array_filter(self::FROM, static fn (int $from): bool => $from <= $number)) - 1;
            ++$all[$column];
            $right[$column] += (int) ($proposed === $done);
            $leanings->learn($traits, $done);
        }

        return array_map(static fn (int $right, int $all): int => (int) round(100 * $right / max(1, $all)), $right, $all);
    }

    private static function decision(Shown $shown): AdvisedDecision
    {
        return match ($shown) {
            Shown::Answered => AdvisedDecision::Now,
            Shown::Acted => AdvisedDecision::Task,
            Shown::PutOff => AdvisedDecision::Snooze,
            Shown::Read, Shown::Unread => AdvisedDecision::Archive,
            Shown::Dropped => AdvisedDecision::Delete,
        };
    }
}
