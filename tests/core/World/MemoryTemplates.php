<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Template;
use ZippyTray\Core\Post\Templates;

final readonly class MemoryTemplates implements Templates
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, string $id): Template
    {
        return $this->memory->templates[$id] ?? throw new NotFound('template', $id);
    }

    public function named(AccountId $accountId, string $name): ?Template
    {
        foreach ($this->memory->templates as $template) {
            if (mb_strtolower($template->name()) === mb_strtolower($name)) {
                return $template;
            }
        }

        return null;
    }

    public function add(Template $template): void
    {
        $this->memory->templates[$template->id] = $template;
    }

    public function remove(Template $template): void
    {
        unset($this->memory->templates[$template->id]);
    }
}
