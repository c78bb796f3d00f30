<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Tray\EmptyBin;
use ZippyTray\Server\Account\Accounts;

/**
 * Removes deleted mail for good when its 30 days in the bin are over.
 */
final readonly class ExpiredBin implements Chore
{
    public function __construct(private Accounts $accounts, private EmptyBin $emptyBin, private Ids $ids)
    {
    }

    public function name(): string
    {
        return 'expired-bin';
    }

    public function every(): int
    {
        return 3600;
    }

    public function do(\DateTimeImmutable $now): void
    {
        foreach ($this->accounts->all() as $account) {
            $this->emptyBin->expired($account->id, new EntryId($this->ids->next()));
        }
    }
}
