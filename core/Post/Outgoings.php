<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\NotFound;

/**
 * The store of mail that goes out. Every call but due() and begun() is bound to one account.
 */
interface Outgoings
{
    /** @throws NotFound */
    public function get(string $accountId, string $id): Outgoing;

    public function find(string $accountId, string $id): ?Outgoing;

    /** The one with this Message-ID, without angle brackets. */
    public function withHeader(string $accountId, string $messageHeader): ?Outgoing;

    public function add(Outgoing $outgoing): void;

    public function remove(Outgoing $outgoing): void;

    /** @return list<Outgoing> of all accounts, what goes out by now, in order of its moment */
    public function due(\DateTimeImmutable $now): array;

    /** @return list<Outgoing> of all accounts, what was begun and has no outcome */
    public function begun(): array;
}
