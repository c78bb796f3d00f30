<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\In;

final readonly class Arrived
{
    /**
     * @param string|null $raw     the message's bytes (RFC 5322); null when $problem says why there are none
     * @param string      $cursor  from which on the next is asked for once this one is taken in, or left
     * @param string      $name    by which the person finds it where it came from
     * @param string      $problem a sentence
     */
    private function __construct(public ?string $raw, public string $cursor, public string $name, public string $problem)
    {
    }

    public static function of(string $raw, string $cursor, string $name): self
    {
        return new self($raw, $cursor, $name, '');
    }

    public static function unfit(string $cursor, string $name, string $problem): self
    {
        return new self(null, $cursor, $name, $problem);
    }
}
