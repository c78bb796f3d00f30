<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * Turns bytes of any character set into UTF-8. Nothing is dropped: bytes of an unknown set, and
 * bytes that are wrong in the set that was declared, stay recognisable.
 */
final readonly class TextDecoder
{
    /** Names in use for a smaller set than the one really meant (WHATWG Encoding, 4.2), and nicknames. */
    private const MEANT = [
        'us-ascii' => 'utf-8', 'ascii' => 'utf-8', 'ansi_x3.4-1968' => 'utf-8', 'unknown-8bit' => 'utf-8', '' => 'utf-8',
        'iso-8859-1' => 'windows-1252', 'latin1' => 'windows-1252', 'iso8859-1' => 'windows-1252', '8859-1' => 'windows-1252',
        'cp1252' => 'windows-1252', 'iso-8859-9' => 'windows-1254', 'iso-8859-11' => 'windows-874', 'tis-620' => 'windows-874',
        'gb2312' => 'gb18030', 'gbk' => 'gb18030', 'x-gbk' => 'gb18030', 'gb_2312-80' => 'gb18030',
        'euc-kr' => 'cp949', 'ks_c_5601-1987' => 'cp949', 'ksc5601' => 'cp949',
        'shift_jis' => 'cp932', 'shift-jis' => 'cp932', 'x-sjis' => 'cp932', 'sjis' => 'cp932',
        'big5' => 'big5-hkscs', 'iso-8859-8-i' => 'iso-8859-8', 'iso-8859-6-i' => 'iso-8859-6',
        'utf8' => 'utf-8', 'unicode-1-1-utf-8' => 'utf-8', 'unicode-1-1-utf-7' => 'utf-7',
    ];

    /** What mbstring lists beside character sets. */
    private const NO_SETS = ['BASE64', 'UUENCODE', 'HTML-ENTITIES', 'Quoted-Printable', '7bit', '8bit'];

    /** Where windows-1252 differs from ISO 8859-1; the five bytes that it leaves open stay control characters. */
    private const WINDOWS_1252 = [
        "\x80" => '€', "\x82" => '‚', "\x83" => 'ƒ', "\x84" => '„', "\x85" => '…', "\x86" => '†', "\x87" => '‡', "\x88" => 'ˆ',
        "\x89" => '‰', "\x8a" => 'Š', "\x8b" => '‹', "\x8c" => 'Œ', "\x8e" => 'Ž', "\x91" => '‘', "\x92" => '’', "\x93" => '“',
        "\x94" => '”', "\x95" => '•', "\x96" => '–', "\x97" => '—', "\x98" => '˜', "\x99" => '™', "\x9a" => 'š', "\x9b" => '›',
        "\x9c" => 'œ', "\x9e" => 'ž', "\x9f" => 'Ÿ',
    ];

    /** @param string $charset the declared name (IANA); empty when none was declared */
    public function decode(string $bytes, string $charset): string
    {
        if (1 !== preg_match('/[\x80-\xff\x1b]/', $bytes)
            && !preg_match('/^(utf-?(7|16|32)|unicode-1-1-utf-7|ucs|ibm|cp037|hz|imap)/i', $charset)) {
            return $bytes;
        }
        $name = strtolower(trim($charset, " \t\"'"));
        $name = self::MEANT[$name] ?? $name;

        return match (true) {
            'utf-8' === $name => $this->utf8($bytes),
            'windows-1252' === $name => strtr($bytes, self::windows1252()),
            default => $this->known($bytes, $name) ?? $this->utf8($bytes),
        };
    }

    /** Valid UTF-8 as it is; each stray byte as the character that windows-1252 has for it. */
    private function utf8(string $bytes): string
    {
        if (mb_check_encoding($bytes, 'UTF-8')) {
            return $bytes;
        }
        $characters = self::windows1252();
        $many = '[\xc2-\xdf][\x80-\xbf]|\xe0[\xa0-\xbf][\x80-\xbf]|[\xe1-\xec\xee\xef][\x80-\xbf]{2}|\xed[\x80-\x9f][\x80-\xbf]'
            .'|\xf0[\x90-\xbf][\x80-\xbf]{2}|[\xf1-\xf3][\x80-\xbf]{3}|\xf4[\x80-\x8f][\x80-\xbf]{2}';

        return (string) preg_replace_callback(
            "/(?:[\\x00-\\x7f]++|{$many})++(*SKIP)(*FAIL)|(?:(?!{$many})[\\x80-\\xff])++/",
            static fn (array $m): string => strtr($m[0], $characters),
            $bytes,
        );
    }

    /** @return array<string, string> byte => character, of those beyond ASCII */
    private static function windows1252(): array
    {
        $characters = [];
        for ($byte = 128; $byte < 256; ++$byte) {
            $characters[\chr($byte)] = self::WINDOWS_1252[\chr($byte)] ?? mb_chr($byte, 'UTF-8');
        }

        return $characters;
    }

    /** Null when neither iconv nor intl nor mbstring knows the set. */
    private function known(string $bytes, string $name): ?string
    {
        $text = @iconv($name, 'UTF-8', $bytes);
        if (false !== $text) {
            return $text;
        }
        foreach (array_diff(mb_list_encodings(), self::NO_SETS) as $encoding) {
            if (0 === strcasecmp($encoding, $name) || \in_array($name, array_map('strtolower', mb_encoding_aliases($encoding)), true)) {
                return $this->marked($encoding, $bytes);
            }
        }
        if ([] !== (\UConverter::getAliases($name) ?: [])) {
            // It warns of names with several meanings, and takes the usual one.
            return @\UConverter::transcode($bytes, 'UTF-8', $name);
        }

        return $this->partly($bytes, $name);
    }

    private function marked(string $encoding, string $bytes): string
    {
        $before = mb_substitute_character();
        mb_substitute_character(0xFFFD);
        try {
            return (string) mb_convert_encoding($bytes, 'UTF-8', $encoding);
        } finally {
            mb_substitute_character($before);
        }
    }

    /** For sets that only iconv knows, when some bytes are wrong: those bytes are marked. */
    private function partly(string $bytes, string $name): ?string
    {
        if (false === @iconv($name, 'UTF-8', 'a')) {
            return null;
        }
        $text = @iconv($name, 'UTF-8//IGNORE', $bytes);

        return false === $text ? null : $text."\u{FFFD}";
    }
}
