<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use ZippyTray\Core\Mail\Headers;
use ZippyTray\Core\Mail\MimeParser;
use ZippyTray\Core\Mail\MimePart;
use ZippyTray\Core\Mail\UnreadableMessage;

/**
 * Reads the MIME structure with Debian's mailparse extension. Only its offsets are used; headers and
 * bodies are cut from the bytes as they are.
 */
final readonly class MailparseParser implements MimeParser
{
    private const EMPTY_LINE = '/\R[ \t]*\R/';

    public function parse(string $raw): MimePart
    {
        if ('' === trim($raw)) {
            throw new UnreadableMessage('It is empty.');
        }
        $headers = Headers::parse(self::headerBlock($raw));
        if ($headers->isEmpty()) {
            throw new UnreadableMessage('It has no header such as "From:" or "Subject:", so it is no message.');
        }
        $resource = mailparse_msg_create();
        try {
            // It warns about structures nested too deeply; what could be read until there is used.
            // It leaves out a last line that has no end.
            @mailparse_msg_parse($resource, str_ends_with($raw, "\n") ? $raw : $raw."\n");
            /** @var list<string> $structure */
            $structure = @mailparse_msg_get_structure($resource) ?: [];
            $parts = [];
            foreach ($structure as $number) {
                $part = @mailparse_msg_get_part($resource, $number);
                if (\is_resource($part)) {
                    /** @var array<string, mixed> $data */
                    $data = mailparse_msg_get_part_data($part);
                    $parts[$number] = $data;
                }
            }
        } finally {
            mailparse_msg_free($resource);
        }

        return [] === $parts ? new MimePart($headers, self::body($raw)) : $this->tree($raw, '1', $parts);
    }

    /** @param array<string, array<string, mixed>> $parts by number: "1", "1.1", "1.2", "1.2.1" … */
    private function tree(string $raw, string $number, array $parts): MimePart
    {
        $start = self::offset($parts[$number], 'starting-pos');
        $body = self::offset($parts[$number], 'starting-pos-body');
        $end = max($body, self::offset($parts[$number], 'ending-pos-body'));
        $children = [];
        if ('message/rfc822' !== strtolower(\is_string($parts[$number]['content-type'] ?? null) ? $parts[$number]['content-type'] : '')) {
            for ($child = 1; isset($parts[$number.'.'.$child]); ++$child) {
                $children[] = $this->tree($raw, $number.'.'.$child, $parts);
            }
        }

        return new MimePart(
            Headers::parse('1' === $number ? self::headerBlock($raw) : substr($raw, $start, $body - $start)),
            match (true) {
                [] !== $children => '',
                '1' === $number => self::body($raw),
                default => substr($raw, $body, $end - $body),
            },
            $children,
        );
    }

    /** @param array<string, mixed> $part */
    private static function offset(array $part, string $name): int
    {
        return \is_int($part[$name] ?? null) ? $part[$name] : 0;
    }

    private static function headerBlock(string $raw): string
    {
        return preg_split(self::EMPTY_LINE, $raw, 2)[0] ?? '';
    }

    private static function body(string $raw): string
    {
        return preg_split(self::EMPTY_LINE, $raw, 2)[1] ?? '';
    }
}
