<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

use ZippyTray\Core\AccountId;

/**
 * The store of searches that are kept. Every call is bound to one account.
 */
interface KeptSearches
{
    /** @return list<KeptSearch> in their order */
    public function all(AccountId $accountId): array;

    public function add(KeptSearch $search): void;

    public function remove(KeptSearch $search): void;
}
