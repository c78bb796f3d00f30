<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use ZippyTray\Core\Refused;
use ZippyTray\Server\DataFolder;

/**
 * A word that "./zippy serve" prints and that the first visitor writes, so that only who has started the program can
 * make its first account, and no web site by means of somebody's browser.
 */
final readonly class FirstWord
{
    /** Letters and digits that are not taken for each other. */
    private const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';

    private const LENGTH = 10;

    /** The same until it has been used. */
    public static function show(): string
    {
        $file = self::file();
        if (!is_file($file)) {
            $word = '';
            for ($place = 0; $place < self::LENGTH; ++$place) {
                $word .= self::SIGNS[random_int(0, \strlen(self::SIGNS) - 1)];
            }
            DataFolder::write($file, $word);
        }

        return (string) file_get_contents($file);
    }

    /** @throws Refused */
    public static function check(#[\SensitiveParameter] string $word): void
    {
        if (!is_file(self::file()) || !hash_equals((string) file_get_contents(self::file()), strtolower(trim($word)))) {
            throw new Refused(
                'This is not the word that "./zippy serve" has printed. It stands in the window in which the program was started.',
                'word',
            );
        }
    }

    public static function forget(): void
    {
        @unlink(self::file());
    }

    private static function file(): string
    {
        return DataFolder::path().'/first-word';
    }
}
