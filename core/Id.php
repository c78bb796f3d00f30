<?php

declare(strict_types=1);

namespace ZippyTray\Core;

/**
 * What names one thing for good: a UUID (RFC 9562) in its 36-character text form. Each kind of thing that is named along with
 * another has its own class, so that two ids cannot change places unnoticed. Two of one kind are the same when their texts are.
 */
abstract readonly class Id implements \Stringable, \JsonSerializable
{
    final public function __construct(public string $text)
    {
    }

    /** A UUID of version 8 (RFC 9562, 5.8) that follows from these texts, and is the same whenever they are. */
    final public static function hashed(string ...$parts): string
    {
        $hash = hash('sha256', implode("\n", $parts));
        $hash[12] = '8';
        $hash[16] = '89ab'[(int) hexdec($hash[16]) & 3];

        return implode('-', [
            substr($hash, 0, 8),
            substr($hash, 8, 4),
            substr($hash, 12, 4),
            substr($hash, 16, 4),
            substr($hash, 20, 12),
        ]);
    }

    final public static function orNull(?string $text): ?static
    {
        return null === $text ? null : new static($text);
    }

    final public function is(self $other): bool
    {
        return static::class === $other::class && $this->text === $other->text;
    }

    final public function __toString(): string
    {
        return $this->text;
    }

    final public function jsonSerialize(): string
    {
        return $this->text;
    }
}
