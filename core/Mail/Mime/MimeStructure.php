<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Limit;
use ZippyTray\Core\Mail\Remark\RemarkKind;

/**
 * Finds the parts of a message by their boundaries (RFC 2046, 5.1). It goes through the bytes once, whatever they are,
 * and never deeper or further than Limit says. Headers and bodies are cut from the bytes as they are.
 */
final readonly class MimeStructure
{
    /** Behind a header block; lines of blanks count as empty. */
    private const EMPTY_LINE = '/\R[ \t]*\R/';

    /** RFC 2046 allows 70; some programs write more. */
    private const LONGEST_BOUNDARY = 250;

    public function __construct(
        private HeaderParameters $parameters = new HeaderParameters(new HeaderDecoder(new TextDecoder()), new TextDecoder()),
    ) {
    }

    /** @throws UnreadableMessage when it is empty, or has no header of a message */
    public function parse(string $raw): MimePart
    {
        if ('' === trim($raw)) {
            throw new UnreadableMessage('It is empty.');
        }
        $root = $this->open($raw, 0);
        if (!$root->headers->areOfMail()) {
            throw new UnreadableMessage('It has no header such as "From:" or "Subject:", so it is no message.');
        }

        return $this->tree($raw, $root);
    }

    private function tree(string $raw, OpenPart $root): MimePart
    {
        $eol = str_contains($raw, "\n") ? "\n" : "\r";
        $limits = [];
        $count = 1;
        /** @var list<OpenPart> $open the multiparts around the present place, outermost first, and the part that is being read */
        $open = [$root];
        /** @var array<string, int> $boundaries where each is in $open; of equal ones the innermost */
        $boundaries = self::boundaries($open);
        $at = $root->body - 1;
        while ([] !== $boundaries && false !== $at = self::next($raw, $at, $eol)) {
            $line = substr($raw, $at, self::LONGEST_BOUNDARY + 10);
            $line = rtrim(substr($line, 2, strcspn($line, "\r\n") - 2));
            $isLast = !isset($boundaries[$line]) && str_ends_with($line, '--') && isset($boundaries[substr($line, 0, -2)]);
            $level = $boundaries[$isLast ? substr($line, 0, -2) : $line] ?? null;
            if (null === $level) {
                continue;
            }
            $end = $at - ($at > 0 && "\n" === $eol && "\r" === ($raw[$at - 2] ?? '') ? 2 : 1);
            for ($inner = \count($open) - 1; $inner > $level; --$inner) {
                $open[$inner]->end = max($open[$inner]->body, $end);
                $open[$inner - 1]->parts[] = $open[$inner];
            }
            $open = \array_slice($open, 0, $level + 1);
            $open[$level]->isClosed = $isLast;
            if (!$isLast && ++$count > Limit::PARTS) {
                $limits[] = RemarkKind::Parts;
                break;
            }
            if (!$isLast) {
                $start = strpos($raw, $eol, $at);
                $part = $this->open($raw, false === $start ? \strlen($raw) : $start + 1);
                if ('' !== $part->boundary && \count($open) >= Limit::DEPTH) {
                    $limits['depth'] = RemarkKind::Depth;
                    $part->boundary = '';
                }
                $open[] = $part;
            }
            $boundaries = self::boundaries($open);
        }
        for ($inner = \count($open) - 1; $inner > 0; --$inner) {
            $open[$inner - 1]->parts[] = $open[$inner];
        }

        return $root->part($raw, array_values($limits));
    }

    /**
     * @param list<OpenPart> $open
     *
     * @return array<string, int> where in $open the one with this boundary is; of several the innermost
     */
    private static function boundaries(array $open): array
    {
        $boundaries = [];
        foreach ($open as $level => $part) {
            if ('' !== $part->boundary && !$part->isClosed) {
                $boundaries[$part->boundary] = $level;
            }
        }

        return $boundaries;
    }

    /** The next line that begins with two hyphens. */
    private static function next(string $raw, int $behind, string $eol): int|false
    {
        $found = strpos($raw, $eol.'--', max(0, $behind));

        return false === $found ? false : $found + 1;
    }

    private function open(string $raw, int $start): OpenPart
    {
        $end = \strlen($raw);
        $eol = substr($raw, $start, 1);
        if ("\n" === $eol || "\r" === $eol) {
            // No header at all: it is plain text (RFC 2046, 5.1).
            return new OpenPart(Headers::parse(''), $start + ("\r" === $eol && "\n" === ($raw[$start + 1] ?? '') ? 2 : 1), $end);
        }
        // No field begins with hyphens: what does may be the next boundary.
        $next = 0 === $start ? false : strpos($raw, "\n--", $start - 1);
        $block = substr($raw, $start, (false === $next ? $end : max($start, $next + 1)) - $start);
        $hasBody = 1 === preg_match(self::EMPTY_LINE, $block, $m, \PREG_OFFSET_CAPTURE);
        $header = $hasBody ? substr($block, 0, $m[0][1]) : $block;
        $body = $hasBody ? $m[0][1] + \strlen($m[0][0]) : \strlen($block);
        $early = Headers::end($header);
        if ($early < \strlen($header)) {
            // The empty line that parts them is missing.
            [$header, $body] = [substr($header, 0, $early), $early];
        }
        $headers = Headers::parse($header);
        $part = new OpenPart($headers, $start + $body, $end);
        $type = $headers->get('content-type');
        if (1 === preg_match('/^\s*multipart\//i', $type)) {
            $boundary = rtrim($this->parameters->get($type, 'boundary'));
            $part->boundary = \strlen($boundary) <= self::LONGEST_BOUNDARY ? $boundary : '';
        }

        return $part;
    }
}
