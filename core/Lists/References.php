<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\ListId;

/**
 * The store of things to look up. Every call is bound to one account, and sees what was changed before it.
 */
interface References
{
    /** @throws NotFound */
    public function get(AccountId $accountId, string $id): Reference;

    /** @return list<Reference> in their order */
    public function ofList(AccountId $accountId, ListId $listId): array;

    /**
     * @param string|null $rank   the place behind which is looked; null: the beginning
     * @param string      $except the id of one that does not count
     *
     * @return string|null the rank of the next one, or null when none follows
     */
    public function rankBehind(AccountId $accountId, ListId $listId, ?string $rank, string $except = ''): ?string;

    /** @return string|null the rank of the last one; null when there is none */
    public function lastRank(AccountId $accountId, ListId $listId): ?string;

    public function add(Reference $reference): void;

    public function remove(Reference $reference): void;
}
