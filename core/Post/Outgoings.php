<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;

/**
 * The store of mail that goes out. Every call but due() and begun() is bound to one account.
 */
interface Outgoings
{
    /** @throws NotFound */
    public function get(AccountId $accountId, OutgoingId $id): Outgoing;

    public function find(AccountId $accountId, OutgoingId $id): ?Outgoing;

    /** The one with this Message-ID, without angle brackets. */
    public function withHeader(AccountId $accountId, string $messageHeader): ?Outgoing;

    public function add(Outgoing $outgoing): void;

    public function remove(Outgoing $outgoing): void;

    /** @return list<Outgoing> of all accounts, what goes out by now, in order of its moment */
    public function due(\DateTimeImmutable $now): array;

    /** @return list<Outgoing> of all accounts, what was begun and has no outcome */
    public function begun(): array;
}
