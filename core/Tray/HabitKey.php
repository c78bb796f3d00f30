<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Mail\Message;

/**
 * By what a person's habits with mail are told: its mailing list (RFC 2919), or else its sender.
 */
final readonly class HabitKey
{
    public static function of(Message $message): string
    {
        $list = $message->listHeaders['list-id'] ?? '';
        if (1 === preg_match('/<([^<>]+)>\s*$/', $list, $m)) {
            $list = $m[1];
        }

        return strtolower('' === trim($list) ? $message->from->email : 'list '.trim($list));
    }
}
