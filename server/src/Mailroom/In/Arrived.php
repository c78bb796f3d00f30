<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\In;

final readonly class Arrived
{
    /**
     * @param string $raw    the message's bytes (RFC 5322)
     * @param string $cursor from which on the next is asked for once this one is taken in
     */
    public function __construct(public string $raw, public string $cursor)
    {
    }
}
