<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;

/**
 * What is done by itself with mail that arrives: a condition, and the steps of a stamp.
 *
 * @phpstan-import-type ConditionState from Condition
 * @phpstan-import-type StepState from StampStep
 */
final class StandingOrder implements Journaled
{
    public const NAME_LENGTH = 80;

    private string $name = '';

    private string $rank = 'V';

    /** @var ConditionState */
    private array $condition = ['test' => 'all'];

    /** @var list<StepState> */
    private array $steps = [];

    private bool $on = false;

    /** Orders behind it are not looked at any more. */
    private bool $last = false;

    /** Such mail comes in at once, whatever is held back. */
    private bool $urgent = false;

    public function __construct(public readonly OrderId $id, public readonly AccountId $accountId)
    {
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(OrderId $id, AccountId $accountId, array $state): self
    {
        $order = new self($id, $accountId);
        $order->restore($state);

        return $order;
    }

    /**
     * @param list<StampStep> $steps that make sense together, see CheckSteps
     *
     * @throws Refused when the name cannot be
     */
    public function make(string $name, Condition $condition, array $steps, bool $last, bool $urgent): void
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', mb_scrub($name)));
        if ('' === $name) {
            throw new Refused('A standing order needs a name.', 'name');
        }
        if (mb_strlen($name) > self::NAME_LENGTH) {
            throw new Refused(\sprintf('A name can have %d characters at most.', self::NAME_LENGTH), 'name');
        }
        $this->name = $name;
        $this->condition = $condition->state();
        $this->steps = array_map(static fn (StampStep $step): array => $step->state(), $steps);
        $this->last = $last;
        $this->urgent = $urgent;
    }

    public function turn(bool $on): void
    {
        $this->on = $on;
    }

    public function place(string $rank): void
    {
        $this->rank = $rank;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function rank(): string
    {
        return $this->rank;
    }

    public function condition(): Condition
    {
        return Condition::fromState($this->condition);
    }

    /** @return list<StampStep> */
    public function steps(): array
    {
        return array_map(StampStep::fromState(...), $this->steps);
    }

    /** The decision among its steps; null when it leaves the mail in the tray. */
    public function decision(): ?StepKind
    {
        foreach ($this->steps() as $step) {
            if ($step->do->decides()) {
                return $step->do;
            }
        }

        return null;
    }

    public function isOn(): bool
    {
        return $this->on;
    }

    public function isLast(): bool
    {
        return $this->last;
    }

    public function isUrgent(): bool
    {
        return $this->urgent;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Order, $this->id->text);
    }

    public function state(): array
    {
        return [
            'name' => $this->name,
            'rank' => $this->rank,
            'condition' => $this->condition,
            'steps' => $this->steps,
            'on' => $this->on,
            'last' => $this->last,
            'urgent' => $this->urgent,
        ];
    }

    public function restore(array $state): void
    {
        /**
         * @var array{
         *     name: string, rank: string, condition: ConditionState, steps: list<StepState>, on: bool, last: bool, urgent: bool
         * } $state
         */
        $this->name = $state['name'];
        $this->rank = $state['rank'];
        $this->condition = $state['condition'];
        $this->steps = $state['steps'];
        $this->on = $state['on'];
        $this->last = $state['last'];
        $this->urgent = $state['urgent'];
    }

    public function needs(): array
    {
        return [];
    }
}
