<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use ZippyTray\Core\AccountId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\MailServer;

/**
 * A mailbox on a server, that is kept in step.
 */
final readonly class ServerBox
{
    /**
     * @param int  $number which of the account's mailboxes it is
     * @param int  $looks  how often it was looked at
     * @param bool $isDue  whether it is time to look at it again
     */
    public function __construct(
        public Account $account,
        public int $number,
        public MailServer $server,
        public BoxSettings $settings,
        public int $looks,
        public bool $isDue,
    ) {
    }

    public function accountId(): AccountId
    {
        return $this->account->id;
    }

    /** @return array{string, int} the parameters of a query of its rows */
    public function key(): array
    {
        return [$this->account->id->text, $this->number];
    }
}
