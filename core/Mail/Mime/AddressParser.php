<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Limit;
use ZippyTray\Core\Mail\Remark\Characters;

/**
 * Reads the address lists of From, To, Cc and Reply-To (RFC 5322, 3.4), the obsolete and the broken
 * forms too: whatever is written there, something readable comes out.
 */
final readonly class AddressParser
{
    public function __construct(private HeaderDecoder $decoder)
    {
    }

    /**
     * @param bool $groups whether a word before a colon names a group (RFC 5322, 3.4); otherwise it belongs to the address, and spoils it
     *
     * @return list<Address> groups are dissolved, empty entries left out
     */
    public function parse(string $header, bool $groups = true): array
    {
        $addresses = [];
        foreach ($this->split($header, $groups) as $tokens) {
            $address = $this->address($tokens);
            if ('' !== $address->email || '' !== $address->name) {
                $addresses[] = $address;
            }
            if (\count($addresses) >= Limit::MAILBOXES) {
                break;
            }
        }

        return $addresses;
    }

    /**
     * Splits at commas, semicolons and group names, outside of quotes, comments and angle brackets.
     *
     * @return list<list<array{kind: string, text: string}>> kind: text, quoted, comment, angle
     */
    private function split(string $header, bool $groups): array
    {
        $pattern = '/
            (?<quoted>"(?:[^"\\\\]|\\\\.)*")
            |(?<comment>\((?:[^()\\\\]|\\\\.|(?2))*\))
            |(?<angle><[^<>]*>)|(?<stop>[,;])|(?<group>:)|(?<text>[^"(<,;:]+|.)
        /xs';
        preg_match_all($pattern, $header, $matches, \PREG_SET_ORDER);
        $lists = [[]];
        foreach ($matches as $match) {
            $kind = (string) array_key_last(array_filter(
                $match,
                static fn (string $text, int|string $key): bool => \is_string($key) && '' !== $text,
                \ARRAY_FILTER_USE_BOTH,
            ));
            if ('stop' === $kind) {
                $lists[] = [];
            } elseif ('group' === $kind && $groups) {
                $lists[array_key_last($lists)] = [];
            } else {
                $lists[array_key_last($lists)][] = ['kind' => $kind, 'text' => $match[0]];
            }
        }

        return $lists;
    }

    /** @param list<array{kind: string, text: string}> $tokens */
    private function address(array $tokens): Address
    {
        $words = '';
        $comment = '';
        $angle = null;
        foreach ($tokens as $number => ['kind' => $kind, 'text' => $text]) {
            $isLocal = 'quoted' === $kind && str_starts_with(ltrim($tokens[$number + 1]['text'] ?? ''), '@');
            match ($kind) {
                'angle' => $angle = substr($text, 1, -1),
                'comment' => $comment = substr($text, 1, -1),
                'quoted' => $words .= $isLocal ? $text : stripslashes(substr($text, 1, -1)),
                default => $words .= $text,
            };
        }
        $words = trim(Characters::plain($this->decoder->decode($words)));
        if (null !== $angle) {
            return new Address($this->email($angle), $words);
        }
        if (!str_contains($words, '@')) {
            return new Address('', $words);
        }

        return new Address($this->email($words), trim(Characters::plain($this->decoder->decode($comment))));
    }

    private function email(string $text): string
    {
        $text = trim((string) preg_replace('/^\s*mailto:/i', '', Characters::plain($this->decoder->decode($text))));
        // What is quoted keeps its blanks (RFC 5321, 4.1.2).
        if (1 === preg_match('/^("(?:[^"\\\\]|\\\\.)*")\s*(@.*)$/s', $text, $m)) {
            return $m[1].preg_replace('/\s+/', '', $m[2]);
        }

        return (string) preg_replace('/\s+/', '', $text);
    }
}
