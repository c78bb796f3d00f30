<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * Which character set bytes are in that nobody says the set of, where they are no UTF-8: told from how often the
 * characters come that are frequent in the languages written with it.
 */
final readonly class CharsetGuess
{
    /** Bytes that are looked at. */
    private const LENGTH = 6000;

    /** Frequent characters of each set. */
    private const FREQUENT = [
        'big5' => '的是不我一有大在人了中到要可以這個你會好為上來學就他時也們說您請謝沒看過用對還下能得去想很都和與已將及於請致附件明天問題',
        'gb18030' => '的是不我一有大在人了中到要可以这个你会好为上来学就他时也们说您请谢没看过用对还下能得去想很都和与已将及于请致附件明天问题',
        'cp932' => 'のにはをたがでてとしれさあいうえおかきくけこすそちなまみもやよらりるろんア',
        'euc-jp' => 'のにはをたがでてとしれさあいうえおかきくけこすそちなまみもやよらりるろんア',
        'cp949' => '이다는을의에가고하지로기사한인도를서어자은아대부나정있그습니요해일보',
        'koi8-r' => 'оеаинтсрвлкмдпуяыьгзбчйхжшю',
        'windows-1251' => 'оеаинтсрвлкмдпуяыьгзбчйхжшю',
        'windows-1253' => 'αοιεντσηυρπκμλςςάίέόήύώθγδχφβξζω',
    ];

    /** Sets of alphabets, in which nearly all letters are beyond ASCII. */
    private const ALPHABETS = ['koi8-r', 'windows-1251', 'windows-1253'];

    /** So much of what is no ASCII has to be frequent. */
    private const SHARE = 0.3;

    /** @return string|null a name that TextDecoder knows; null when it is UTF-8, or nothing tells */
    public static function of(string $bytes): ?string
    {
        $bytes = substr($bytes, 0, self::LENGTH);
        if (mb_check_encoding(preg_replace('/[\xc2-\xf4][\x80-\xbf]{0,2}\z/', '', $bytes) ?? $bytes, 'UTF-8')) {
            return null;
        }
        $high = preg_match_all('/[\x80-\xff]/', $bytes);
        // In Western languages, bytes beyond ASCII stand alone among others.
        if ($high < 6
            || preg_match_all(
                '/(?<![\x80-\xff])[\x80-\xff](?![\x40-\x7e\x80-\xff])|(?<=[A-Za-z])[\x80-\xff](?=[a-z]{2})/',
                $bytes,
            ) > $high / 3) {
            return null;
        }
        [$best, $most] = [null, self::SHARE];
        $isAlphabet = $high > 2 * preg_match_all('/[A-Za-z]/', $bytes);
        foreach (self::FREQUENT as $charset => $frequent) {
            if (\in_array($charset, self::ALPHABETS, true) && !$isAlphabet) {
                continue;
            }
            $share = self::share($bytes, $charset, $frequent);
            if ($share > $most) {
                [$best, $most] = [$charset, $share];
            }
        }

        return $best;
    }

    private static function share(string $bytes, string $charset, string $frequent): float
    {
        // The last character may be cut.
        $text = @iconv($charset, 'UTF-8', $bytes);
        $text = false === $text ? @iconv($charset, 'UTF-8', substr($bytes, 0, -1)) : $text;
        if (false === $text) {
            return 0;
        }
        preg_match_all('/[^\x00-\x7f\p{P}\s]/u', $text, $found);
        $all = \count($found[0]);

        return 0 === $all ? 0 : \count(array_intersect($found[0], mb_str_split($frequent))) / $all;
    }
}
