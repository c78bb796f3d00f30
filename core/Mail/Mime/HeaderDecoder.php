<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * Decodes the text of header fields: encoded words (RFC 2047), also where they are used in places
 * or ways that the RFC forbids, and bare bytes beyond ASCII.
 */
final readonly class HeaderDecoder
{
    private const WORD = '/=\?(?<charset>[^?*\s]+)(?:\*[^?]*)?\?(?<encoding>[BbQq])\?(?<text>[^?]*(?:\?(?!=)[^?]*)*)\?=/';

    public function __construct(private TextDecoder $text)
    {
    }

    /** @return string UTF-8, on one line */
    public function decode(string $value): string
    {
        $decoded = '';
        $offset = 0;
        /** @var array{string, string}|null $open bytes of neighbouring words in one character set, which may cut a character in two */
        $open = null;
        preg_match_all(self::WORD, $value, $words, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE);
        foreach ($words as $word) {
            $between = substr($value, $offset, $word[0][1] - $offset);
            $charset = strtolower($word['charset'][0]);
            if (null !== $open && ('' !== trim($between) || $open[0] !== $charset)) {
                $decoded .= $this->text->decode($open[1], $open[0]);
                $open = null;
            }
            if ('' !== trim($between) || 0 === $offset) {
                $decoded .= $this->text->decode($between, 'utf-8');
            }
            $open = [$charset, ($open[1] ?? '').$this->bytes($word['encoding'][0], $word['text'][0])];
            $offset = $word[0][1] + \strlen($word[0][0]);
        }
        if (null !== $open) {
            $decoded .= $this->text->decode($open[1], $open[0]);
        }
        $decoded .= $this->text->decode(substr($value, $offset), 'utf-8');

        return trim((string) preg_replace('/[\s\x00-\x1f\x7f]+/u', ' ', $decoded));
    }

    private function bytes(string $encoding, string $text): string
    {
        return 'b' === strtolower($encoding)
            ? (string) base64_decode($text)
            : quoted_printable_decode(strtr($text, ['_' => ' ']));
    }
}
