<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use ZippyTray\Core\NotFound;

/**
 * The store of what has come of reminders. Every call is bound to one account.
 */
interface Rings
{
    /** @return iterable<Reminding> open tasks of lists in use, and conversations that are neither in the bin nor blocked */
    public function reminding(string $accountId): iterable;

    /** When the clock was looked at last; null when it never was. */
    public function lookedAt(string $accountId): ?\DateTimeImmutable;

    public function noteLook(string $accountId, \DateTimeImmutable $now): void;

    /**
     * @param list<string> $keys
     *
     * @return array<string, Ring> by key, those that there are
     */
    public function withKeys(string $accountId, array $keys): array;

    public function add(Ring $ring): void;

    /** @throws NotFound */
    public function get(string $accountId, string $id): Ring;
}
