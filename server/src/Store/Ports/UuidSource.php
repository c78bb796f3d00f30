<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Symfony\Component\Uid\Uuid;
use ZippyTray\Core\Ids;

/**
 * Identifiers that sort by the time of their making (RFC 9562, version 7).
 */
final readonly class UuidSource implements Ids
{
    public function next(): string
    {
        return Uuid::v7()->toRfc4122();
    }
}
