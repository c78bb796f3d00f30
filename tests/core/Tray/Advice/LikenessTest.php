<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Tray\Advice\Likeness;
use ZippyTray\Core\Tray\Advice\Meeting;
use ZippyTray\Core\Tray\Advice\Sentence;
use ZippyTray\Core\Tray\Advice\Weights;

final class LikenessTest extends TestCase
{
    /** Whoever labels something anew has to learn anew as well. */
    #[DataProvider('names')]
    public function testWhatWasLearnedIsWhatTheSentencesTeach(string $name): void
    {
        $stored = Weights::read($name);
        $taught = Learner::learn(Learner::lessons($name));
        $others = array_filter(
            $taught,
            static fn (float $weight, int|string $feature): bool => abs($weight - ($stored[$feature] ?? 0.0)) > 0.02
                && abs($weight) > Learner::LEAST + 0.02,
            \ARRAY_FILTER_USE_BOTH,
        );

        self::assertSame([], \array_slice($others, 0, 5), 'Run: php tests/core/Tray/Advice/learn.php');
        self::assertEqualsWithDelta(\count($taught), \count($stored), \count($taught) / 100);
    }

    /** @return iterable<string, array{string}> */
    public static function names(): iterable
    {
        foreach (Learner::NAMES as $name) {
            yield $name => [$name];
        }
    }

    /** A fifth is judged by what the others teach. */
    #[TestWith(['likeness', 0.85, 0.75])]
    #[TestWith(['meeting', 0.8, 0.75])]
    #[TestWith(['longer', 0.85, 0.8])]
    public function testItTellsWhatItHasNotSeen(string $name, float $precision, float $recall): void
    {
        $lessons = Learner::lessons($name);
        $score = new Score();
        $isUnseen = static fn (int $number): bool => 0 === $number % 5;
        $weights = new Weights(
            $name,
            Learner::learn(array_values(array_filter(
                $lessons,
                static fn (int $number): bool => !$isUnseen($number),
                \ARRAY_FILTER_USE_KEY,
            ))),
        );
        foreach (array_filter($lessons, $isUnseen, \ARRAY_FILTER_USE_KEY) as $number => [$features, $is]) {
            $score->many($name, $is ? [(string) $number] : [], $weights->odds($features) >= 0 ? [(string) $number] : []);
        }
        fwrite(\STDERR, \sprintf("\nNot learned from, of %d\n%s\n", \count($lessons), $score->table()));

        self::assertGreaterThanOrEqual($precision, $score->precision($name));
        self::assertGreaterThanOrEqual($recall, $score->recall($name));
    }

    public function testNumbersAreAllTheSameAndLongSentencesAreCut(): void
    {
        self::assertSame(Likeness::features('can you send 12 or 3.5?'), Likeness::features('can you send 7 or 21?'));
        self::assertLessThan(200, \count(Likeness::features(str_repeat('send me word ', 10_000))));
        self::assertLessThan(
            400,
            \count(Meeting::features(str_repeat('we meet a ', 10_000), 'on friday', str_repeat(' at my house', 10_000), null, false)),
        );
    }

    public function testWordsThatNobodyLearnedSayLittle(): void
    {
        $likeness = new Likeness(new Weights('none', ['could you' => 2.0, '^could' => -0.5]));

        self::assertSame([1.5, 0.0], $likeness->ofEach([new Sentence('Could you qwrtz?', 0), new Sentence('Qwrtz.', 17)], ''));
    }

    /** The same words ask, or do not, by the subject and by what stands beside them. */
    public function testSubjectAndNeighboursCount(): void
    {
        $likeness = new Likeness(new Weights('none', ['S thanks' => -2.0, '>$ ?' => 1.0, 'n2 first' => 0.25]));
        $sentences = [new Sentence('It has arrived.', 0), new Sentence('Is it yours?', 16)];

        self::assertSame([-0.75, -2.0], $likeness->ofEach($sentences, 'Many thanks'));
        self::assertSame([1.25, 0.0], $likeness->ofEach($sentences, 'Parcel'));
    }
}
