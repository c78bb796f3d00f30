<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use ZippyTray\Core\AccountId;

/**
 * Where it is kept what letters to mail-in addresses asked for. Every call is bound to one account.
 */
interface MailIns
{
    /** It is to be carried out; one of the same id is left as it is. */
    public function want(MadeByMail $made): void;

    public function find(AccountId $accountId, string $id): ?MadeByMail;

    public function settle(MadeByMail $made): void;

    /** How many letters asked for something since then. */
    public function countSince(AccountId $accountId, \DateTimeImmutable $since): int;
}
