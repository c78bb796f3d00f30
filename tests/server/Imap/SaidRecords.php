<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use ZippyTray\Server\Mailroom\InStep\SrvRecords;

/**
 * Domains that say what a test makes them say; nobody else is asked.
 */
final class SaidRecords implements SrvRecords
{
    /** @var array<string, list<array{target: string, port: int, priority: int, weight: int}>> */
    private static array $said = [];

    public function says(string $name, string $target, int $port): void
    {
        self::$said[$name][] = ['target' => $target, 'port' => $port, 'priority' => 0, 'weight' => 0];
    }

    public function of(string $name): array
    {
        return self::$said[$name] ?? [];
    }
}
