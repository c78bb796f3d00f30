<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * The store of what has come of reminders. Every call is bound to one account.
 */
interface Rings
{
    /** @return iterable<Reminding> open tasks of lists in use, and conversations that are neither in the bin nor blocked */
    public function reminding(AccountId $accountId): iterable;

    /** When the clock was looked at last; null when it never was. */
    public function lookedAt(AccountId $accountId): ?\DateTimeImmutable;

    public function noteLook(AccountId $accountId, \DateTimeImmutable $now): void;

    /**
     * @param list<string> $keys
     *
     * @return array<string, Ring> by key, those that there are
     */
    public function withKeys(AccountId $accountId, array $keys): array;

    public function add(Ring $ring): void;

    /** @throws NotFound */
    public function get(AccountId $accountId, string $id): Ring;
}
