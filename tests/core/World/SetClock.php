<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use Psr\Clock\ClockInterface;

final class SetClock implements ClockInterface
{
    private \DateTimeImmutable $now;

    public function __construct(string $now)
    {
        $this->set($now);
    }

    public function set(string $now): void
    {
        $this->now = new \DateTimeImmutable($now);
    }

    public function now(): \DateTimeImmutable
    {
        return $this->now;
    }
}
