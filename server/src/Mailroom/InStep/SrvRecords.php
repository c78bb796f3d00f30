<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

/**
 * What a domain says of its services (RFC 2782).
 */
interface SrvRecords
{
    /** @return list<array{target: string, port: int, priority: int, weight: int}> none when nothing is said, or nobody answers */
    public function of(string $name): array;
}
