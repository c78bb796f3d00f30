<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Tray\Advice\Likeness;

final class LikenessTest extends TestCase
{
    /** Whoever labels a sentence anew has to learn anew as well. */
    public function testWhatWasLearnedIsWhatTheSentencesTeach(): void
    {
        $stored = [];
        foreach (file(__DIR__.'/../../../../core/Tray/Advice/likeness.tsv', \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$weight, $feature] = explode("\t", $line, 2) + [1 => ''];
            $stored[$feature] = (float) $weight;
        }
        $taught = Learner::learn(Learner::lessons());
        $others = array_filter($taught, static fn (float $weight, int|string $feature): bool => abs($weight - ($stored[$feature] ?? 0.0)) > 0.02 && abs($weight) > Learner::LEAST + 0.02, \ARRAY_FILTER_USE_BOTH);

        self::assertSame([], \array_slice($others, 0, 5), 'Run: php tests/core/Tray/Advice/learn.php');
        self::assertEqualsWithDelta(\count($taught), \count($stored), \count($taught) / 100);
    }

    /** A fifth of the sentences is judged by what the others teach. */
    public function testItTellsSentencesThatItHasNotSeen(): void
    {
        $lessons = Learner::lessons();
        $score = new Score();
        $isUnseen = static fn (int $number): bool => 0 === $number % 5;
        $likeness = new Likeness(Learner::learn(array_values(array_filter($lessons, static fn (int $number): bool => !$isUnseen($number), \ARRAY_FILTER_USE_KEY))));
        foreach (array_filter($lessons, $isUnseen, \ARRAY_FILTER_USE_KEY) as [$sentence, $asks]) {
            $score->many('likeness', $asks ? [$sentence] : [], $likeness->of($sentence) >= 0 ? [$sentence] : []);
        }
        fwrite(\STDERR, \sprintf("\nSentences that were not learned from, of %d\n%s\n", \count($lessons), $score->table()));

        self::assertGreaterThanOrEqual(0.85, $score->precision('likeness'));
        self::assertGreaterThanOrEqual(0.75, $score->recall('likeness'));
    }

    public function testNumbersAreAllTheSameAndLongSentencesAreCut(): void
    {
        self::assertSame(Likeness::features('can you send 12 or 3.5?'), Likeness::features('can you send 7 or 21?'));
        self::assertLessThan(200, \count(Likeness::features(str_repeat('send me word ', 10_000))));
    }

    public function testWordsThatNobodyLearnedSayLittle(): void
    {
        self::assertSame(1.5, (new Likeness(['could you' => 2.0, '^could' => -0.5]))->of('could you qwrtz?'));
    }
}
