<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * Joins the lines of format=flowed text (RFC 3676) into the paragraphs that the sender wrote.
 */
final readonly class FlowedText
{
    /** @param bool $delSp the DelSp parameter: the space before a soft break is not part of the text */
    public static function unflow(string $text, bool $delSp): string
    {
        $lines = [];
        $open = null;
        foreach (explode("\n", $text) as $line) {
            $depth = strspn($line, '>');
            $content = substr($line, $depth);
            $content = str_starts_with($content, ' ') ? substr($content, 1) : $content;
            $signature = '-- ' === $content;
            $soft = !$signature && str_ends_with($content, ' ');
            if ($soft && $delSp) {
                $content = substr($content, 0, -1);
            }
            if (null !== $open && $open === $depth && !$signature) {
                $lines[array_key_last($lines)] .= $content;
            } else {
                $lines[] = ($depth > 0 ? str_repeat('>', $depth).' ' : '').$content;
            }
            $open = $soft ? $depth : null;
        }

        return implode("\n", $lines);
    }
}
