<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Limit;
use ZippyTray\Core\Mail\Remark\RemarkKind;

/**
 * The header fields of a message or of one of its parts (RFC 5322, 2.2), unfolded but not decoded.
 */
final readonly class Headers
{
    /**
     * @param array<string, list<string>> $fields lower-case name to values, topmost first
     * @param list<RemarkKind>            $limits what of the block was not read
     */
    private function __construct(private array $fields, public array $limits)
    {
    }

    /** Reads a header block as far as Limit says; lines that are no field are passed over. */
    public static function parse(string $block): self
    {
        $fields = [];
        $limits = [];
        $lines = preg_split('/\r\n|\r|\n/', $block, Limit::HEADER_LINES + 1) ?: [];
        if (\count($lines) > Limit::HEADER_LINES) {
            array_pop($lines);
            $limits[] = RemarkKind::HeaderLines;
        }
        foreach (self::unfolded($lines) as $line) {
            if (\strlen($line) > Limit::FIELD) {
                $line = substr($line, 0, Limit::FIELD);
                $limits['field'] = RemarkKind::Field;
            }
            if (1 === preg_match('/^([!-9;-~]+)[ \t]*+:(.*)$/s', $line, $m)) {
                $fields[strtolower($m[1])][] = trim($m[2]);
            }
        }

        return new self($fields, array_values($limits));
    }

    /** Fields by which a block is known, and a line further down shows that it still goes on (RFC 5322, 3.6; RFC 2045). */
    private const KNOWN = '/
        ^(?:
            from|to|cc|bcc|subject|date|message-id|in-reply-to|references|reply-to|sender|received|return-path
            |mime-version|content-[a-z-]+|x-[a-z0-9-]+|list-[a-z-]+|dkim-signature|authentication-results
        )[ \t]*:
    /xmi';

    /** In lines: how far a line that is no field is looked for. */
    private const LOOKED_AT = 2000;

    /**
     * Where a block of fields ends although no empty line says so: at a line that is no field, behind which none follows.
     *
     * @return int bytes from the beginning; the block's length when it is fields to its end
     */
    public static function end(string $block): int
    {
        $at = 0;
        $hasField = false;
        for ($lines = 0; $at < \strlen($block) && $lines < self::LOOKED_AT; ++$lines) {
            $length = strcspn($block, "\r\n", $at);
            $isField = 1 === preg_match('/\G[!-9;-~]+[ \t]*+:/', $block, offset: $at);
            $isFolded = \in_array($block[$at], [' ', "\t"], true);
            if ($hasField && !$isField && !$isFolded && $length > 0 && 0 !== strncmp($block, 'From ', 5)) {
                return 1 === preg_match(self::KNOWN, substr($block, $at + $length, 65_536)) ? \strlen($block) : $at;
            }
            $hasField = $hasField || $isField;
            $at += $length;
            $at += "\r\n" === substr($block, $at, 2) ? 2 : 1;
        }

        return \strlen($block);
    }

    /**
     * Joins what was broken into several lines (RFC 5322, 2.2.3).
     *
     * @param list<string> $lines
     *
     * @return list<string>
     */
    private static function unfolded(array $lines): array
    {
        $joined = [];
        foreach ($lines as $line) {
            $last = array_key_last($joined);
            if (null !== $last && 1 === preg_match('/^[ \t]+/', $line, $m)) {
                $joined[$last] .= ' '.substr($line, \strlen($m[0]));
            } else {
                $joined[] = $line;
            }
        }

        return $joined;
    }

    /** Whether any of them is a field that messages have; what only looks like one stands in files of all kinds. */
    public function areOfMail(): bool
    {
        foreach (array_keys($this->fields) as $name) {
            if (1 === preg_match(self::KNOWN, $name.':')) {
                return true;
            }
        }

        return false;
    }

    /** The topmost value, or an empty text. */
    public function get(string $name): string
    {
        return $this->fields[strtolower($name)][0] ?? '';
    }

    public function has(string $name): bool
    {
        return isset($this->fields[strtolower($name)]);
    }

    /** @return list<string> topmost first */
    public function all(string $name): array
    {
        return $this->fields[strtolower($name)] ?? [];
    }
}
