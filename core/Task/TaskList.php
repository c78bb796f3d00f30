<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;

/**
 * A list of tasks, with a name of the person's own.
 */
final class TaskList implements Journaled
{
    public const NAME_LENGTH = 80;

    /** The list that tasks go to when none is named. */
    public const DEFAULT = 'Tasks';

    private string $name;

    /** @throws Refused when the name is empty or longer than NAME_LENGTH characters */
    public function __construct(public readonly string $id, public readonly string $accountId, string $name)
    {
        $this->name = self::checked($name);
    }

    /**
     * Makes a list again that had been removed.
     *
     * @param array<string, mixed> $state what state() gave
     */
    public static function revived(string $id, string $accountId, array $state): self
    {
        /** @var array{name: string} $state */
        return new self($id, $accountId, $state['name']);
    }

    public static function checked(string $name): string
    {
        $name = trim($name);
        if ('' === $name) {
            throw new Refused('A list needs a name.', 'list');
        }
        if (mb_strlen($name) > self::NAME_LENGTH) {
            throw new Refused(\sprintf('The name of a list can have %d characters at most; this one has %d.', self::NAME_LENGTH, mb_strlen($name)), 'list');
        }

        return $name;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::TaskList, $this->id);
    }

    public function state(): array
    {
        return ['name' => $this->name];
    }

    public function restore(array $state): void
    {
        /** @var array{name: string} $state */
        $this->name = $state['name'];
    }

    public function needs(): array
    {
        return [];
    }
}
