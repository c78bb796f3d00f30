<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;

/**
 * Several steps under a name, carried out on mail with one key.
 *
 * @phpstan-import-type StepState from StampStep
 */
final class Stamp implements Journaled
{
    public const NAME_LENGTH = 60;

    private string $name = '';

    private ?int $key = null;

    /** @var list<StepState> */
    private array $steps = [];

    public function __construct(public readonly StampId $id, public readonly AccountId $accountId)
    {
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(StampId $id, AccountId $accountId, array $state): self
    {
        $stamp = new self($id, $accountId);
        $stamp->restore($state);

        return $stamp;
    }

    /**
     * @param int|null        $key   from 1 to 9, pressed with Shift; null: none
     * @param list<StampStep> $steps that make sense together, see CheckSteps
     *
     * @throws Refused when the name or the key cannot be
     */
    public function make(string $name, ?int $key, array $steps): void
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', mb_scrub($name)));
        if ('' === $name) {
            throw new Refused('A stamp needs a name.', 'name');
        }
        if (mb_strlen($name) > self::NAME_LENGTH) {
            throw new Refused(\sprintf('A name can have %d characters at most.', self::NAME_LENGTH), 'name');
        }
        if (null !== $key && ($key < 1 || $key > 9)) {
            throw new Refused('The key of a stamp is a digit from 1 to 9.', 'key');
        }
        $this->name = $name;
        $this->key = $key;
        $this->steps = array_map(static fn (StampStep $step): array => $step->state(), $steps);
    }

    public function name(): string
    {
        return $this->name;
    }

    public function key(): ?int
    {
        return $this->key;
    }

    /** @return list<StampStep> */
    public function steps(): array
    {
        return array_map(StampStep::fromState(...), $this->steps);
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Stamp, $this->id->text);
    }

    public function state(): array
    {
        return ['name' => $this->name, 'key' => $this->key, 'steps' => $this->steps];
    }

    public function restore(array $state): void
    {
        /** @var array{name: string, key: ?int, steps: list<StepState>} $state */
        $this->name = $state['name'];
        $this->key = $state['key'];
        $this->steps = $state['steps'];
    }

    public function needs(): array
    {
        return [];
    }
}
