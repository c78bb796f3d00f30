<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * Names one object of an account.
 */
final readonly class ObjectRef
{
    public function __construct(public ObjectKind $kind, public string $id)
    {
    }

    public function is(self $other): bool
    {
        return $this->kind === $other->kind && $this->id === $other->id;
    }
}
