<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\NotFound;

/**
 * The store of templates. Every call is bound to one account.
 */
interface Templates
{
    /** @throws NotFound */
    public function get(string $accountId, string $id): Template;

    /** Capitals do not matter. */
    public function named(string $accountId, string $name): ?Template;

    public function add(Template $template): void;

    public function remove(Template $template): void;
}
