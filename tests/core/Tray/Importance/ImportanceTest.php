<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Importance;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Tray\Importance\Importance;
use ZippyTray\Core\Tray\Importance\Shown;
use ZippyTray\Core\Tray\Importance\Traits;

/**
 * How well it is told what matters to whom: held against people who do not exist, with 2,000 letters each, of which they treat
 * seven of a hundred as they never do.
 */
final class ImportanceTest extends TestCase
{
    private const LETTERS = 2000;

    private const OUT_OF_CHARACTER = 0.07;

    /** From which letter on each column counts. */
    private const FROM = [0, 50, 200, 1000];

    /**
     * The share of pairs, of one letter that mattered and one that did not, in which the right one stands first (the area under the
     * ROC curve), in thousandths: the least that is taken, by column. Between 960 and 970 nothing is left but what is out of character.
     */
    private const LEAST = [
        'answers the customers' => [780, 940, 940, 940],
        'only what is to them alone' => [800, 950, 945, 930],
        'two subjects, whoever writes' => [650, 945, 935, 920],
        'only what is asked' => [920, 965, 940, 940],
        'some always, some when they ask' => [810, 915, 940, 940],
        'reads newsletters, and hardly anything else' => [720, 950, 925, 920],
        'by dates' => [750, 930, 920, 915],
        'other customers after a thousand' => [780, 940, 940, 910],
    ];

    public function testWhatMattersStandsFirst(): void
    {
        self::assertSame(array_keys(self::LEAST), array_keys(Persons::all()));
        $table = [\sprintf("\n  %-46s %6s %6s %6s %6s", 'What mattered stands first', '-50', '-200', '-1000', '-2000')];
        $short = [];
        foreach (Persons::all() as $name => $habit) {
            $reached = array_map(self::area(...), self::lived($habit, 7));
            $table[] = \sprintf('  %-46s %6d %6d %6d %6d', $name, ...$reached);
            foreach ($reached as $column => $thousandths) {
                if ($thousandths < self::LEAST[$name][$column]) {
                    $short[] = "{$name}, column {$column}: {$thousandths}";
                }
            }
        }
        fwrite(\STDERR, implode("\n", $table)."\n");
        self::assertSame([], $short);
    }

    /** @return iterable<string, array{string, bool}> trait, whether it begins to matter */
    public static function changes(): iterable
    {
        yield 'a list that was read is deleted' => ['list news.example', false];
        yield 'somebody whose mail was deleted is answered' => ['from olga@roofs.example', true];
    }

    #[DataProvider('changes')]
    public function testAChangedHabitIsFollowedAfterAFewLetters(string $trait, bool $begins): void
    {
        $importance = new Importance();
        $traits = new Traits([$trait, 'kind personal', 'tells', 'alone']);
        [$before, $after] = $begins ? [Shown::Dropped, Shown::Answered] : [Shown::Answered, Shown::Dropped];
        for ($number = 0; $number < 200; ++$number) {
            $importance->learn($traits, $before);
        }
        self::assertSame(!$begins, $importance->of($traits) > 0.8);
        for ($letters = 0; ($importance->of($traits) > 0.5) !== $begins; ++$letters) {
            self::assertLessThan(15, $letters);
            $importance->learn($traits, $after);
        }
        fwrite(\STDERR, \sprintf("\n  Followed after %2d letters: %s\n", $letters, $this->dataName()));
    }

    public function testTheSameDecisionsGiveTheSame(): void
    {
        [$once, $again, $kept] = [new Importance(), new Importance(), []];
        $correspondence = new Correspondence(3);
        for ($number = 0; $number < 200; ++$number) {
            $letter = $correspondence->letter()->traits();
            $shown = Shown::cases()[$number % 6];
            $once->learn($letter, $shown);
            $kept = [...$kept, ...$again->learn($letter, $shown)];
            // What has changed is all that has to be kept.
            $again = 0 === $number % 20 ? new Importance($kept) : $again;
            self::assertSame($once->of($letter), $again->of($letter));
        }
    }

    public function testWhoHasShownNothingYetSeesFirstWhatAsksThem(): void
    {
        $score = static fn (string ...$traits): float => (new Importance())->of(new Traits(array_values($traits)));
        $falling = [
            $score('kind personal', 'asks', 'alone', 'known', 'dated'),
            $score('kind personal', 'asks', 'alone'),
            $score('kind personal', 'tells', 'alone'),
            $score('kind personal', 'tells', 'copied'),
            $score('kind newsletter', 'tells', 'alone'),
            $score('kind advert', 'tells', 'alone'),
        ];
        $sorted = $falling;
        rsort($sorted);
        self::assertSame($sorted, $falling);
        self::assertSame([true, true], [$falling[1] > 0.5, $falling[3] < 0.5]);
    }

    public function testAWordOfTheirsCountsAtOnceAndIsNotUnlearned(): void
    {
        $traits = new Traits(['from olga@roofs.example', 'kind personal', 'tells', 'alone']);
        [$plain, $more, $less] = array_map(
            static fn (array $corrections): Importance => new Importance(corrections: $corrections),
            [[], ['from olga@roofs.example' => 1], ['from olga@roofs.example' => -1]],
        );
        self::assertSame([true, true], [$more->of($traits) > 0.85, $less->of($traits) < 0.15]);
        for ($number = 0; $number < 30; ++$number) {
            array_map(static fn (Importance $one): array => $one->learn($traits, Shown::Answered), [$plain, $more, $less]);
        }
        self::assertSame([true, true], [$more->of($traits) > $plain->of($traits), $plain->of($traits) > $less->of($traits)]);
    }

    public function testWhatIsLearnedIsTheSameWhateverTheySaid(): void
    {
        $traits = new Traits(['from olga@roofs.example', 'kind personal']);
        self::assertSame(
            (new Importance())->learn($traits, Shown::Answered),
            (new Importance(corrections: ['from olga@roofs.example' => -1]))->learn($traits, Shown::Answered),
        );
    }

    /**
     * @param \Closure(SimulatedLetter, int): Shown $habit
     *
     * @return list<list<array{float, bool}>> by column, of each letter: what was believed before they decided, whether it mattered
     */
    private static function lived(\Closure $habit, int $seed): array
    {
        $correspondence = new Correspondence($seed);
        $importance = new Importance();
        $columns = array_fill(0, \count(self::FROM), []);
        $written = [];
        for ($number = 0; $number < self::LETTERS; ++$number) {
            $letter = $correspondence->letter();
            $shown = $correspondence->share() < self::OUT_OF_CHARACTER
                ? Shown::cases()[$correspondence->chance()->getInt(0, 5)]
                : $habit($letter, $number);
            $traits = $letter->traits($written[$letter->email] ?? 0);
            $column = \count(array_filter(self::FROM, static fn (int $from): bool => $from <= $number)) - 1;
            $columns[$column][] = [$importance->of($traits), $shown->matters() >= 0.5];
            $importance->learn($traits, $shown);
            $written[$letter->email] = ($written[$letter->email] ?? 0) + (int) (Shown::Answered === $shown);
        }

        return $columns;
    }

    /** @param list<array{float, bool}> $letters */
    private static function area(array $letters): int
    {
        usort($letters, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        [$others, $mattering, $right] = [0, 0, 0.0];
        for ($from = 0; $from < \count($letters); $from = $to) {
            $equal = [0, 0];
            for ($to = $from; $to < \count($letters) && $letters[$to][0] === $letters[$from][0]; ++$to) {
                ++$equal[(int) $letters[$to][1]];
            }
            $right += $equal[1] * ($others + $equal[0] / 2);
            $others += $equal[0];
            $mattering += $equal[1];
        }

        return (int) round(1000 * $right / max(1, $others * $mattering));
    }
}
