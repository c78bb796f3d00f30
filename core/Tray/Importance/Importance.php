<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

/**
 * How much a conversation matters to somebody, learned from what they did with others, one decision at a time: a logistic regression by
 * stochastic gradient descent. Each trait is followed at a pace of its own, quickly while it is new, and never so slowly that
 * a changed habit would not be followed. The same decisions in the same order always give the same weights.
 */
final class Importance
{
    /** What is believed of anybody who has not shown anything yet, in units of the logit. */
    private const BEFORE = [
        'asks' => 0.9, 'may ask' => 0.3, 'tells' => -0.4, 'alone' => 0.3, 'copied' => -0.7, 'known' => 0.7, 'dated' => 0.3,
        'kind personal' => 0.5, 'kind invitation' => 0.5, 'kind bounce' => 0.5, 'kind newsletter' => -0.9, 'kind advert' => -1.6,
        'kind auto_reply' => -0.8, 'kind suspicious' => -2.0, 'known asks' => 0.3,
    ];

    /** What is believed of a message without any trait, in units of the logit. */
    private const NOBODY = -0.6;

    /** How far a word of theirs moves a trait, in units of the logit. */
    private const CORRECTION = 4.0;

    private const SPREAD = 2.0;

    /**
     * @param array<string, array{float, int}> $learned     by trait: its weight, and from how many decisions
     * @param array<string, int>               $corrections by trait: 1 when they said that it matters more, -1 less
     */
    public function __construct(private array $learned = [], private readonly array $corrections = [])
    {
    }

    /** @return float from 0, it does not matter, to 1; so many traits that counted in full would leave hardly anything in between */
    public function of(Traits $traits): float
    {
        return self::share($this->logit($traits, true) / self::SPREAD);
    }

    /** @return array<string, array{float, int}> by trait: the weight after it, and from how many decisions it is; only what has changed */
    public function learn(Traits $traits, Shown $shown): array
    {
        $off = $shown->matters() - self::share($this->logit($traits, false));
        $changed = [];
        foreach ($traits->names as $name) {
            [$weight, $count] = $this->learned[$name] ?? [self::BEFORE[$name] ?? 0.0, 0];
            $weight = LearningStep::bounded($weight + $off * LearningStep::of($count, \count($traits->names)));
            $this->learned[$name] = $changed[$name] = [$weight, $count + 1];
        }

        return $changed;
    }

    /** @return array<string, float> by trait, how much it weighs, for (above 0) or against, in units of the logit; the weightiest first */
    public function because(Traits $traits): array
    {
        $because = [];
        foreach ($traits->names as $name) {
            $because[$name] = $this->weight($name, true);
        }
        uksort($because, static fn (string $a, string $b): int => [abs($because[$b]), $a] <=> [abs($because[$a]), $b]);

        return $because;
    }

    /** From how many decisions it is known how much a trait matters. */
    public function seen(string $trait): int
    {
        return $this->learned[$trait][1] ?? 0;
    }

    /** What they said themselves of a trait: 1 when it matters more, -1 less, 0 when they said nothing. */
    public function said(string $trait): int
    {
        return $this->corrections[$trait] ?? 0;
    }

    private function logit(Traits $traits, bool $corrected): float
    {
        $logit = self::NOBODY;
        foreach ($traits->names as $name) {
            $logit += $this->weight($name, $corrected);
        }

        return $logit;
    }

    private static function share(float $logit): float
    {
        return 1 / (1 + exp(-$logit));
    }

    private function weight(string $name, bool $corrected): float
    {
        return ($this->learned[$name][0] ?? self::BEFORE[$name] ?? 0.0)
            + ($corrected ? self::CORRECTION * ($this->corrections[$name] ?? 0) : 0.0);
    }
}
