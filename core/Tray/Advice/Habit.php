<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * What the person decided about the last conversations from the same sender or list.
 */
final readonly class Habit
{
    /** So many conversations are looked at. */
    public const LOOKED_AT = 10;

    /** From so many equal decisions on it is a habit. */
    private const ENOUGH = 3;

    /**
     * @param AdvisedDecision|null $decision what was decided each time; null when there is no habit
     * @param int                  $times    how many times in a row, back from the last
     */
    private function __construct(public ?AdvisedDecision $decision, public int $times)
    {
    }

    public static function none(): self
    {
        return new self(null, 0);
    }

    /** @param list<AdvisedDecision|null> $decisions the last one first */
    public static function of(array $decisions): self
    {
        $last = $decisions[0] ?? null;
        $times = 0;
        foreach ($decisions as $decision) {
            if (null === $decision || $decision !== $last) {
                break;
            }
            ++$times;
        }

        return $times < self::ENOUGH ? self::none() : new self($last, $times);
    }

    public function is(AdvisedDecision $decision): bool
    {
        return $this->decision === $decision;
    }

    /** In words; empty when there is no habit. */
    public function text(): string
    {
        $verb = match ($this->decision) {
            null => '',
            AdvisedDecision::Now => 'did at once what came in',
            AdvisedDecision::Task => 'made tasks of',
            AdvisedDecision::Snooze => 'put off',
            AdvisedDecision::Delegate => 'handed over',
            AdvisedDecision::Archive => 'archived',
            AdvisedDecision::Delete => 'deleted',
            AdvisedDecision::Block => 'blocked',
        };

        return '' === $verb ? '' : \sprintf('You %s the last %d from here.', $verb, $this->times);
    }
}
