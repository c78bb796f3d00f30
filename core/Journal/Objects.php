<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\AccountId;

/**
 * Finds the objects that entries speak of, whatever their kind.
 */
interface Objects
{
    public function find(AccountId $accountId, ObjectRef $object): ?Journaled;

    /**
     * Makes an object again that had been removed.
     *
     * @param array<string, mixed> $state
     *
     * @throws CannotUndo when nothing is left that it could be made from
     */
    public function revive(AccountId $accountId, ObjectRef $object, array $state): Journaled;

    /** Whether another object of the account cannot be without this one. */
    public function isNeeded(AccountId $accountId, ObjectRef $object): bool;

    public function remove(Journaled $object): void;
}
