<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\AccountId;

/**
 * Makes of the state of an object, as older entries keep it, the state that it would have in the next version. What objects
 * of a kind keep is changed by adding such a class beside them; entries that are there already stay as they are.
 */
interface Lift
{
    public function kind(): ObjectKind;

    /** The version that it lifts, from 1 upwards; the one that comes of it is one higher. */
    public function from(): int;

    /**
     * @param array<string, mixed> $state     of that version
     * @param AccountId            $accountId whose it is
     *
     * @return array<string, mixed> of the next, keys in the order in which the object gives them
     */
    public function lift(array $state, AccountId $accountId): array;
}
