<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * An object whose changes are written into the journal.
 *
 * Its state is what a person decided about it: plain values that survive a round trip through JSON
 * without change, keys in a fixed order. restore() of what state() gave leaves it as it was then.
 */
interface Journaled
{
    public function ref(): ObjectRef;

    /** @return array<string, mixed> */
    public function state(): array;

    /** @param array<string, mixed> $state what state() gave */
    public function restore(array $state): void;

    /** @return list<ObjectRef> objects without which this one cannot be */
    public function needs(): array;
}
