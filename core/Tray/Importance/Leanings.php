<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * What somebody is likely to do with a conversation, learned from what they did with others, one decision at a time: a softmax regression
 * by stochastic gradient descent, over the same traits and at the same pace as Importance. The same decisions in the same order
 * always give the same weights.
 */
final class Leanings
{
    /** What is less likely than this is not proposed. */
    private const LIKELY = 0.5;

    /** Before so many decisions nothing is known of anybody. */
    private const ENOUGH = 5;

    /**
     * @param array<string, array{array<string, float>, int}> $learned by trait: its weights by decision, and from how many decisions
     * @param int                                             $count   of all decisions that it is learned from
     */
    public function __construct(private array $learned = [], private int $count = 0)
    {
    }

    /** @return non-empty-array<string, float> by decision, how likely it is; the likeliest first; together 1 */
    public function of(Traits $traits): array
    {
        $likely = [];
        foreach (AdvisedDecision::cases() as $decision) {
            $logit = 0.0;
            foreach ($traits->names as $name) {
                $logit += $this->learned[$name][0][$decision->value] ?? 0.0;
            }
            $likely[$decision->value] = exp($logit);
        }
        $all = array_sum($likely);
        arsort($likely);

        return array_map(static fn (float $one): float => $one / $all, $likely);
    }

    /** @return AdvisedDecision|null null as long as nothing is likely enough to be proposed */
    public function likely(Traits $traits): ?AdvisedDecision
    {
        $likely = $this->of($traits);
        $first = array_key_first($likely);

        return $this->count >= self::ENOUGH && $likely[$first] >= self::LIKELY ? AdvisedDecision::from($first) : null;
    }

    /** @return array<string, array{array<string, float>, int}> by trait, as it is kept; only what has changed */
    public function learn(Traits $traits, AdvisedDecision $done): array
    {
        $likely = $this->of($traits);
        $changed = [];
        foreach ($traits->names as $name) {
            [$weights, $count] = $this->learned[$name] ?? [[], 0];
            $step = LearningStep::of($count, \count($traits->names));
            foreach ($likely as $decision => $was) {
                $weight = ($weights[$decision] ?? 0.0) + $step * (($decision === $done->value ? 1 : 0) - $was);
                $weights[$decision] = LearningStep::bounded($weight);
            }
            $this->learned[$name] = $changed[$name] = [$weights, $count + 1];
        }
        ++$this->count;

        return $changed;
    }
}
