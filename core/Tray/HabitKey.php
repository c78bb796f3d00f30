<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Mail\Address;

/**
 * By what a person's habits with mail are told: its mailing list (RFC 2919), or else its sender.
 */
final readonly class HabitKey
{
    private const LIST = 'list ';

    /** @param array<string, string> $headers see MessageContent::$listHeaders */
    public static function of(array $headers, Address $from): string
    {
        $list = $headers['list-id'] ?? '';
        if (1 === preg_match('/<([^<>]+)>\s*$/', $list, $m)) {
            $list = $m[1];
        }

        return strtolower('' === trim($list) ? $from->email : self::LIST.trim($list));
    }

    /** The id of the mailing list that it is of. */
    public static function listId(string $key): string
    {
        return substr($key, \strlen(self::LIST));
    }

    /** Whether it is that of a mailing list. */
    public static function isList(string $key): bool
    {
        return str_starts_with($key, self::LIST);
    }
}
