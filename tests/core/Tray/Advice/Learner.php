<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\Advice\DateKind;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\Language\Tongues;
use ZippyTray\Core\Tray\Advice\Likeness;
use ZippyTray\Core\Tray\Advice\Longer;
use ZippyTray\Core\Tray\Advice\Meeting;
use ZippyTray\Core\Tray\Advice\ReadMessage;
use ZippyTray\Core\Tray\Advice\Sentence;
use ZippyTray\Core\Tray\Advice\Sentences;

/**
 * Learns which sentences ask for something, and which dates are those of appointments, from all that are labelled: in the
 * letters that are not kept apart, and in single sentences. The same ones always teach the same.
 *
 * A lesson is what is looked at in a sentence, and whether it asks for something, or is about an appointment.
 *
 * @phpstan-import-type Labels from LabelledLetters
 *
 * @phpstan-type Lesson array{list<string>, bool}
 */
final class Learner
{
    /** What is learned, each in a file of its own; the later ones look at what the earlier ones find. */
    public const NAMES = ['likeness', 'meeting', 'longer'];

    /** Weights below that are left out of the file. */
    public const LEAST = 0.28;

    private const ROUNDS = 10;

    /** The same sentences in so many orders; what comes of each is averaged. */
    private const ORDERS = 3;

    private const STEP = 0.2;

    /** How much each step draws a weight to nothing. */
    private const FORGETTING = 0.001;

    /** @return list<Lesson> by the name of what is learned from them */
    public static function lessons(string $name): array
    {
        return match ($name) {
            'likeness' => self::sentences(),
            'meeting' => self::dates(),
            'longer' => self::efforts(),
            default => throw new \LogicException($name.' is not learned.'),
        };
    }

    /**
     * @return array<string, array{Labels, Gist}> those in which that is labelled, without those kept apart
     */
    private static function letters(string $label): array
    {
        return array_filter(
            LabelledLetters::all(),
            static fn (array $gist, string $name): bool => isset($gist[0][$label]) && !str_starts_with($name, AdviceTest::APART),
            \ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return list<Lesson> */
    private static function sentences(): array
    {
        $lessons = [];
        foreach (self::letters('requests') as [$labels, $gist]) {
            $sentences = (new Sentences())->of($gist->text);
            foreach (Likeness::featuresOfEach($sentences, $gist->subject) as $number => $features) {
                $lessons[] = [$features, \in_array($sentences[$number]->text, $labels['requests'] ?? [], true)];
            }
        }
        foreach (['asks', 'likely'] as $file) {
            foreach (file(__DIR__."/phrases/{$file}.txt", \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
                $isAsking = '+' === $line[0];
                $text = ltrim(substr($line, 1));
                // Of several none asks, or it is not said which does.
                foreach ($isAsking ? [new Sentence($text, 0)] : (new Sentences())->of($text) as $sentence) {
                    $lessons[] = [Likeness::features($sentence->lower), $isAsking];
                }
            }
        }

        return $lessons;
    }

    /** @return list<Lesson> */
    private static function efforts(): array
    {
        $lessons = [];
        foreach (self::letters('decision') as [$labels, $gist]) {
            $kinds = array_intersect(['now', 'task'], explode('|', $labels['decision']));
            if (1 === \count($kinds)) {
                $lessons = [...$lessons, ...self::effortOf($gist, \in_array('task', $kinds, true))];
            }
        }
        foreach (file(__DIR__.'/phrases/effort.txt', \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            [$kind, $text] = explode(' ', $line, 2);
            $lessons = [...$lessons, ...self::effortOf(LabelledLetters::saying($text), 'task' === $kind)];
        }

        return $lessons;
    }

    /** @return list<Lesson> none when nothing is found that asks */
    private static function effortOf(Gist $gist, bool $isLonger): array
    {
        $findings = (new ReadMessage())($gist, new Person(LabelledLetters::ME));

        return [] === $findings->requests
            ? []
            : [[Longer::features($findings->requests, $findings->dates, SubjectLine::cleaned($gist->subject)), $isLonger]];
    }

    /** @return list<Lesson> */
    private static function dates(): array
    {
        $lessons = [];
        foreach (self::letters('dates') as [$labels, $gist]) {
            $lessons = [
                ...$lessons,
                ...self::datesOf($gist, static fn (FoundDate $date): ?bool => self::isAppointment($date, $labels['dates'] ?? [])),
            ];
        }
        foreach (file(__DIR__.'/phrases/dated.txt', \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            $dates = self::datesOf(LabelledLetters::saying(substr($line, 2)), static fn (): bool => 'a' === $line[0]);
            $lessons = [...$lessons, ...(1 === \count($dates) ? $dates : [])];
        }

        return $lessons;
    }

    /**
     * @param \Closure(FoundDate): ?bool $isAppointment null: it is not said
     *
     * @return list<Lesson>
     */
    private static function datesOf(Gist $gist, \Closure $isAppointment): array
    {
        $findings = (new ReadMessage())($gist, new Person(LabelledLetters::ME));
        $tongue = Tongues::of((new BodyText())->written($gist->text)."\n".$gist->subject);
        $forms = [];
        foreach ($findings->requests as $request) {
            $forms[$request->from] = $request->form;
        }
        $lessons = [];
        foreach ((new Sentences())->of($gist->text) as $sentence) {
            foreach ($findings->dates as $date) {
                [$from, $to] = [$date->from - $sentence->from, $date->to - $sentence->from];
                $is = $from >= 0 && $to <= mb_strlen($sentence->text) ? $isAppointment($date) : null;
                if (null !== $is) {
                    $parts = array_map(
                        $tongue->gloss(...),
                        [
                            mb_substr($sentence->lower, 0, $from),
                            mb_substr($sentence->lower, $from, $to - $from),
                            mb_substr($sentence->lower, $to),
                        ],
                    );
                    $lessons[] = [Meeting::features(...$parts, form: $forms[$sentence->from] ?? null, hasTime: null !== $date->time), $is];
                }
            }
        }

        return $lessons;
    }

    /** @param list<string> $labels */
    private static function isAppointment(FoundDate $date, array $labels): ?bool
    {
        foreach (DateKind::cases() as $kind) {
            if (\in_array(trim("{$kind->value} {$date->date} {$date->time}"), $labels, true)) {
                return DateKind::Appointment === $kind;
            }
        }

        return null;
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
        $known = array_map(static fn (array $lesson): array => [$lesson[0], (float) $lesson[1]], $lessons);
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
