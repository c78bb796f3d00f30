<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * Digits of all scripts (Unicode, general category Nd) as those of ASCII.
 */
final readonly class Digits
{
    /** @return string of as many characters */
    public static function ascii(string $text): string
    {
        return preg_replace_callback(
            '/(?![0-9])\p{Nd}/u',
            static fn (array $m): string => (string) max(0, (int) \IntlChar::charDigitValue($m[0])),
            $text,
        ) ?? $text;
    }
}
