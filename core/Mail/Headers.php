<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * The header fields of a message or of one of its parts (RFC 5322, 2.2), unfolded but not decoded.
 */
final readonly class Headers
{
    /** @param array<string, list<string>> $fields lower-case name to values, topmost first */
    private function __construct(private array $fields)
    {
    }

    /** Reads a header block; lines that are no field are passed over. */
    public static function parse(string $block): self
    {
        $fields = [];
        $unfolded = (string) preg_replace('/\r?\n[ \t]+/', ' ', $block);
        foreach (preg_split('/\r\n|\r|\n/', $unfolded) ?: [] as $line) {
            if (1 === preg_match('/^([!-9;-~]+)[ \t]*:(.*)$/s', $line, $m)) {
                $fields[strtolower($m[1])][] = trim($m[2]);
            }
        }

        return new self($fields);
    }

    public function isEmpty(): bool
    {
        return [] === $this->fields;
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
