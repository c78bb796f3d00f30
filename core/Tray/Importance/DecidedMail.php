<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\AccountId;

/**
 * The mail about which something was decided.
 */
interface DecidedMail
{
    /**
     * @param array<string, string|null> $conversations by the id of a conversation, when it had been decided before, as the journal has
     *                                                  it (RFC 3339); null: never
     * @param \DateTimeImmutable         $at            when it was decided
     *
     * @return array<string, DecidedLetter> by conversation, without those that are gone or cannot be read
     *
     * @throws NotReadYet when some of it is still to be read
     */
    public function of(AccountId $accountId, array $conversations, \DateTimeImmutable $at): array;
}
