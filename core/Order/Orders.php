<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\NotFound;

/**
 * Where standing orders are kept. Every call is bound to one account.
 */
interface Orders
{
    /** @throws NotFound */
    public function get(AccountId $accountId, OrderId $id): StandingOrder;

    /** @return list<StandingOrder> in the person's own order */
    public function all(AccountId $accountId): array;

    public function add(StandingOrder $order): void;

    public function remove(StandingOrder $order): void;

    /** They are to be carried out on a message, as soon as that has been read. */
    public function want(AccountId $accountId, EmailId $messageId): void;
}
