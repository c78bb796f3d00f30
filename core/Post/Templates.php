<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * The store of templates. Every call is bound to one account.
 */
interface Templates
{
    /** @throws NotFound */
    public function get(AccountId $accountId, string $id): Template;

    /** Capitals do not matter. */
    public function named(AccountId $accountId, string $name): ?Template;

    public function add(Template $template): void;

    public function remove(Template $template): void;
}
