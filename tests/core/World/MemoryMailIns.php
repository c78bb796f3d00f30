<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\MailIn\MadeByMail;
use ZippyTray\Core\MailIn\MailIns;

final readonly class MemoryMailIns implements MailIns
{
    public function __construct(private Memory $memory)
    {
    }

    public function want(MadeByMail $made): void
    {
        $this->memory->mailIns[$made->id] ??= $made;
    }

    public function find(AccountId $accountId, string $id): ?MadeByMail
    {
        return $this->memory->mailIns[$id] ?? null;
    }

    public function settle(MadeByMail $made): void
    {
        $this->memory->mailIns[$made->id] = $made;
    }

    public function countSince(AccountId $accountId, \DateTimeImmutable $since): int
    {
        return \count(array_filter($this->memory->mailIns, static fn (MadeByMail $made): bool => $made->at >= $since));
    }
}
