<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * Reads a structured field such as Content-Type: a value and its parameters (RFC 2045, 5.1), with
 * continuations, character sets and percent encoding (RFC 2231).
 */
final readonly class HeaderParameters
{
    public function __construct(private HeaderDecoder $decoder, private TextDecoder $text)
    {
    }

    /** @return string the value before the first semicolon, in lower case */
    public function value(string $header): string
    {
        return strtolower(trim(explode(';', (string) preg_replace('/\([^()]*\)/', '', $header), 2)[0]));
    }

    /** @return string the decoded parameter, empty when it is not there */
    public function get(string $header, string $name): string
    {
        $plain = '';
        $pieces = [];
        preg_match_all('/;\s*([^\s=;"]+)\s*=\s*("(?:[^"\\\\]|\\\\.)*"|[^;]*)[^;]*/s', $header, $matches, \PREG_SET_ORDER);
        foreach ($matches as [, $key, $value]) {
            $value = str_starts_with($value, '"') ? stripslashes(substr(trim($value), 1, -1)) : trim($value);
            if (0 === strcasecmp($key, $name)) {
                $plain = $value;
            } elseif (1 === preg_match('/^'.preg_quote($name, '/').'(?:\*(\d+))?(\*)?$/i', $key, $m)) {
                $pieces[(int) ($m[1] ?? 0)] = [$value, isset($m[2])];
            }
        }
        if ([] === $pieces) {
            return $this->decoder->decode($plain);
        }
        ksort($pieces);

        return $this->join(array_values($pieces));
    }

    /** @param non-empty-list<array{string, bool}> $pieces text, and whether it is percent encoded */
    private function join(array $pieces): string
    {
        $charset = '';
        $bytes = '';
        foreach ($pieces as $index => [$value, $encoded]) {
            if ($encoded && 0 === $index && 1 === preg_match("/^([^']*)'[^']*'(.*)$/s", $value, $m)) {
                [, $charset, $value] = $m;
            }
            $bytes .= $encoded ? rawurldecode($value) : $value;
        }
        $text = $this->text->decode($bytes, $charset);

        return '' === $charset ? $this->decoder->decode($text) : trim((string) preg_replace('/[\x00-\x1f\x7f]+/', ' ', $text));
    }
}
