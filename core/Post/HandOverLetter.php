<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\People\Called;

/**
 * The words with which something is handed over, above what is forwarded. The person changes them as they like.
 */
final readonly class HandOverLetter
{
    /**
     * @param list<Address> $to    one is greeted by name, several are not
     * @param string        $what  what is asked of them; may be empty
     * @param string        $until by when it is counted on, as it is written to somebody; may be empty
     */
    public static function words(array $to, string $what, string $until): string
    {
        $asked = rtrim(trim($what), '. ');
        $asked = '' === $asked
            ? ''
            : ': '.(1 === preg_match('/^\p{Lu}(?!\p{Ll})/u', $asked)
                ? $asked
                : mb_strtolower(mb_substr($asked, 0, 1)).mb_substr($asked, 1));
        $by = '' === $until ? '' : \sprintf(' I count on it by %s.', $until);

        return \sprintf("%s\n\ncould you take this over%s?%s", Called::greeting(1 === \count($to) ? $to[0] : null), $asked, $by);
    }
}
