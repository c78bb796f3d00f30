<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Tray\Advice\Likeness;
use ZippyTray\Core\Tray\Advice\Sentence;
use ZippyTray\Core\Tray\Advice\Sentences;

/**
 * Learns which sentences ask for something from all that are labelled: those of the letters that are not kept apart, and
 * single ones. The same sentences always teach the same.
 *
 * A lesson is a sentence in lower case, and whether it asks for something.
 *
 * @phpstan-type Lesson array{string, bool}
 */
final class Learner
{
    /** Weights below that are left out of the file. */
    public const LEAST = 0.28;

    private const ROUNDS = 10;

    /** The same sentences in so many orders; what comes of each is averaged. */
    private const ORDERS = 3;

    private const STEP = 0.2;

    /** How much each step draws a weight to nothing. */
    private const FORGETTING = 0.001;

    /** @return list<Lesson> */
    public static function lessons(): array
    {
        $lessons = [];
        foreach (LabelledLetters::all() as $name => [$labels, $letter]) {
            if (!isset($labels['requests']) || str_starts_with($name, AdviceTest::APART)) {
                continue;
            }
            foreach ((new Sentences())->of($letter->text) as $sentence) {
                $lessons[] = [$sentence->lower, \in_array($sentence->text, $labels['requests'], true)];
            }
        }
        foreach (['asks', 'likely'] as $file) {
            foreach (file(__DIR__."/phrases/{$file}.txt", \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
                $isAsking = '+' === $line[0];
                $text = ltrim(substr($line, 1));
                // Of several none asks, or it is not said which does.
                foreach ($isAsking ? [new Sentence($text, 0)] : (new Sentences())->of($text) as $sentence) {
                    $lessons[] = [$sentence->lower, $isAsking];
                }
            }
        }

        return $lessons;
    }

    /**
     * Logistic regression by stochastic descent, with steps that grow shorter where a feature was met often (AdaGrad).
     *
     * @param list<Lesson> $lessons
     *
     * @return array<string, float> feature => weight, rounded to hundredths
     */
    public static function learn(array $lessons): array
    {
        $known = array_map(static fn (array $lesson): array => [Likeness::features($lesson[0]), (float) $lesson[1]], $lessons);
        $sums = [];
        for ($order = 1; $order <= self::ORDERS; ++$order) {
            foreach (self::once($known, new Randomizer(new Mt19937($order))) as $feature => $weight) {
                $sums[$feature] = ($sums[$feature] ?? 0.0) + $weight / self::ORDERS;
            }
        }
        $kept = array_filter($sums, static fn (float $weight): bool => abs($weight) >= self::LEAST);
        ksort($kept, \SORT_STRING);

        return array_map(static fn (float $weight): float => round($weight, 2), $kept);
    }

    /**
     * @param list<array{list<string>, float}> $known features, and 1 when they ask
     *
     * @return array<string, float>
     */
    private static function once(array $known, Randomizer $random): array
    {
        $weights = $squares = [];
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $known = $random->shuffleArray($known);
            foreach ($known as [$features, $asks]) {
                $odds = 0.0;
                foreach ($features as $feature) {
                    $odds += $weights[$feature] ?? 0.0;
                }
                $error = 1 / (1 + exp(-max(-30, min(30, $odds)))) - $asks;
                foreach ($features as $feature) {
                    $weight = $weights[$feature] ?? 0.0;
                    $slope = $error + self::FORGETTING * $weight;
                    $squares[$feature] = ($squares[$feature] ?? 0.0) + $slope * $slope;
                    $weights[$feature] = $weight - self::STEP * $slope / sqrt($squares[$feature] + 1e-8);
                }
            }
        }

        return $weights;
    }
}
