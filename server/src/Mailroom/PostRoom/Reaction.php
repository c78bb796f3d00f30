<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\PostRoom;

final readonly class Reaction
{
    /**
     * @param int    $after seconds
     * @param string $raw   the message's bytes
     */
    public function __construct(public int $after, public string $raw)
    {
    }
}
