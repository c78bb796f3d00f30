<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Remark;

/**
 * Names of hosts (RFC 1123, 2.1; RFC 5890), as links and addresses have them.
 */
final readonly class Hosts
{
    /** Second levels under which everybody can have a name, as in "co.uk". */
    private const SHARED = ['co', 'com', 'org', 'net', 'gov', 'ac', 'edu', 'gob', 'or', 'ne', 'go'];

    /** Endings of files, which look like hosts when they stand alone. */
    private const FILES = [
        'pdf', 'doc', 'docx', 'xls', 'xlsx', 'ppt', 'pptx', 'odt', 'ods', 'odp', 'txt', 'rtf', 'csv', 'zip', 'jpg', 'jpeg', 'png', 'gif',
        'webp', 'svg', 'html', 'htm', 'php', 'ics', 'vcf', 'eml', 'mp3', 'mp4', 'md', 'json', 'xml', 'js', 'exe',
    ];

    /** The host that an address leads to, in lower case; of mailto: that of the mailbox. Empty when there is none. */
    public static function of(string $address): string
    {
        $address = trim($address);
        if (1 === preg_match('~^mailto:[^?]*@([^?\s>,;]+)~i', rawurldecode($address), $m)) {
            return rtrim(mb_strtolower($m[1]), '.');
        }
        // What browsers take for a slash, and leave out (WHATWG URL, 4.4).
        $address = str_replace(['\\', "\t", "\n", "\r"], ['/', '', '', ''], $address);

        return 1 === preg_match('~^https?:/*(?:[^/?#]*@)?(\[[0-9a-f:.]+\]|[^/?#:]+)~i', $address, $m)
            ? rtrim(mb_strtolower(rawurldecode($m[1])), '.')
            : '';
    }

    /** The host that a text names, in lower case; empty when it names none, or several words beside. */
    public static function named(string $text): string
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', $text));
        if (mb_strlen($text) > 300
            || 1 !== preg_match(
                '~(?:^|[\s(<\["“])(?<scheme>https?://|www\.)?(?:[^\s/@]*@)?'
                    .'(?<host>(?:[\p{L}\p{N}](?:[\p{L}\p{N}_-]*[\p{L}\p{N}])?\.)+[\p{L}][\p{L}\p{N}-]*[\p{L}\p{N}])'
                    .'(?=$|[\s/:?#)>\].,;!"”])~iu',
                $text,
                $m,
            )) {
            return '';
        }
        $host = mb_strtolower($m['host']);
        $ending = substr((string) strrchr($host, '.'), 1);

        return '' === $m['scheme'] && \in_array($ending, self::FILES, true) ? '' : $host;
    }

    /** Whether both belong together: one lies within the other, or both under one name that somebody has. */
    public static function areRelated(string $one, string $other): bool
    {
        $one = self::ascii($one);
        $other = self::ascii($other);

        return $one === $other
            || str_ends_with($one, '.'.$other)
            || str_ends_with($other, '.'.$one)
            || self::owned($one) === self::owned($other);
    }

    /** The name with punycode (RFC 3492) for what is not ASCII. */
    public static function ascii(string $host): string
    {
        if (1 !== preg_match('/[^\x00-\x7f]/', $host)) {
            return strtolower($host);
        }
        $ascii = idn_to_ascii(mb_substr($host, 0, 200), \IDNA_DEFAULT, \INTL_IDNA_VARIANT_UTS46);

        return false === $ascii ? mb_strtolower($host) : $ascii;
    }

    /** The name with its own letters for punycode. */
    public static function readable(string $host): string
    {
        $readable = str_contains(strtolower($host), 'xn--') ? idn_to_utf8($host, \IDNA_DEFAULT, \INTL_IDNA_VARIANT_UTS46) : $host;

        return false === $readable ? $host : mb_strtolower($readable);
    }

    /** Whether a label of it is written with letters that are easily taken for others. */
    public static function isDeceptive(string $host): bool
    {
        foreach (explode('.', self::readable($host)) as $label) {
            if (Characters::areMixed($label) || Characters::lookLatin($label)) {
                return true;
            }
        }

        return false;
    }

    private static function owned(string $host): string
    {
        $labels = explode('.', $host);
        $count = \count($labels);
        $isShared = $count > 2 && 2 === \strlen($labels[$count - 1]) && \in_array($labels[$count - 2], self::SHARED, true);

        return implode('.', \array_slice($labels, $isShared ? -3 : -2));
    }
}
