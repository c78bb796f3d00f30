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
    private const LIKELY = 0.6;

    /** The same of what was done each time with the last ones from the same sender or list. */
    private const LIKELY_AS_USUAL = 0.35;

    /** Before so many decisions nothing is known of anybody. */
    private const ENOUGH = 5;

    /** How much it weighs at the beginning what is advised by rules, in units of the logit. */
    private const ADVISED = 2.5;

    /** How far a word of theirs moves a decision, in units of the logit. */
    private const CORRECTION = 6.0;

    /**
     * @param array<string, array{array<string, float>, int}> $learned by trait: its weights by decision, and from how many decisions
     * @param int                                             $count   of all decisions that it is learned from
     * @param array<string, AdvisedDecision>                  $said    by trait: what they said that it should be
     */
    public function __construct(private array $learned = [], private int $count = 0, private readonly array $said = [])
    {
    }

    /** @return non-empty-array<string, float> by decision, how likely it is; the likeliest first; together 1 */
    public function of(Traits $traits): array
    {
        return $this->likelihoods($traits, $this->said);
    }

    /**
     * @param array<string, AdvisedDecision> $said by trait
     *
     * @return non-empty-array<string, float>
     */
    private function likelihoods(Traits $traits, array $said): array
    {
        $likely = [];
        foreach (AdvisedDecision::cases() as $decision) {
            $logit = 0.0;
            foreach ($traits->names as $name) {
                $logit += (($this->learned[$name][0] ?? self::before($name))[$decision->value] ?? 0.0)
                    + ($decision === ($said[$name] ?? null) ? self::CORRECTION : 0.0);
            }
            $likely[$decision->value] = exp($logit);
        }
        $all = array_sum($likely);
        arsort($likely);

        return array_map(static fn (float $one): float => $one / $all, $likely);
    }

    /**
     * @phpstan-impure
     *
     * @param AdvisedDecision|null $usual what was done each time with the last ones from the same sender or list
     *
     * @return Leaning|null null as long as nothing is likely enough to be proposed
     */
    public function likely(Traits $traits, ?AdvisedDecision $usual = null): ?Leaning
    {
        $likely = $this->of($traits);
        $first = array_key_first($likely);
        $decision = AdvisedDecision::from($first);
        $isSaid = \in_array($decision, array_intersect_key($this->said, array_flip($traits->names)), true);

        return $isSaid || ($this->count >= self::ENOUGH && $likely[$first] >= ($decision === $usual ? self::LIKELY_AS_USUAL : self::LIKELY))
            ? new Leaning($decision, $likely[$first], $isSaid)
            : null;
    }

    /** @return array<string, float> by decision, what is believed of a trait before anything is learned of it */
    private static function before(string $trait): array
    {
        return str_starts_with($trait, 'advised ') ? [substr($trait, 8) => self::ADVISED] : [];
    }

    /** @return array<string, array{array<string, float>, int}> by trait, as it is kept; only what has changed */
    public function learn(Traits $traits, AdvisedDecision $done): array
    {
        $likely = $this->likelihoods($traits, []);
        $changed = [];
        foreach ($traits->names as $name) {
            [$weights, $count] = $this->learned[$name] ?? [self::before($name), 0];
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
