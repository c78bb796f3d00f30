<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Remark\RemarkKind;

/**
 * One part of a message as it was sent: its headers and either its parts or its encoded body.
 */
final readonly class MimePart
{
    /** Base64 that was joined from pieces, each with a padding of its own, has so many at the most. */
    private const MOST_PIECES = 1000;

    /**
     * @param string           $body   bytes, still in their transfer encoding
     * @param list<MimePart>   $parts  in their order; empty for a part that is no multipart
     * @param list<RemarkKind> $limits what of the message was not read, for the message as a whole
     */
    public function __construct(public Headers $headers, public string $body, public array $parts = [], public array $limits = [])
    {
    }

    /** The body's bytes with the transfer encoding undone (RFC 2045, 6), errors passed over. */
    public function bytes(): string
    {
        $encoding = strtolower((string) preg_replace(
            '/[^a-z0-9].*$/is',
            '',
            str_replace(['_', ' ', '-', '"'], '', trim($this->headers->get('content-transfer-encoding'))),
        ));

        return match ($encoding) {
            'base64' => $this->isBase64() ? $this->base64decoded() : $this->body,
            'quotedprintable' => quoted_printable_decode($this->body),
            'xuuencode', 'uuencode', 'xuue' => $this->uudecoded(),
            '' => $this->isQuotedPrintable() ? quoted_printable_decode($this->body) : $this->body,
            default => $this->body,
        };
    }

    /** Some programs say base64 of what is plain text: words with blanks between them. */
    private function isBase64(): bool
    {
        $start = substr(ltrim($this->body), 0, 4000);
        // What stands behind the padding was added on the way, as lists do with their footers.
        $isPadded = 1 === preg_match('/^.*?=(?==?\s*$)/ms', $start, $m);
        $start = $isPadded ? $m[0] : $start;

        return preg_match_all('/[^A-Za-z0-9+\/=\s]/', $start) + preg_match_all('/\S[ \t]+\S/', $start) <= max(
            $isPadded ? 1 : 0,
            \strlen($start) / 50,
        );
    }

    /** Nothing says so, but lines are broken with "=" and characters written as "=3D" (RFC 2045, 6.7). */
    private function isQuotedPrintable(): bool
    {
        $start = substr($this->body, 0, 20_000);
        if (1 !== preg_match('/^text\/|^$/i', trim($this->headers->get('content-type'))) || 1 === preg_match('/[\x80-\xff]/', $start)) {
            return false;
        }
        $broken = preg_match_all('/=\r?\n/', $start);
        $written = preg_match_all('/=(?:[89A-F][0-9A-F]|3D|20(?=\r?\n))/', $start);

        return $written >= 2 && $broken + $written >= 4 && 0 === preg_match('/=(?![0-9A-F]{2}|\r?\n|$)/', $start);
    }

    /** Some programs encode in pieces, each with padding of its own. */
    private function base64decoded(): string
    {
        // A footer that was added behind the end is none of it.
        $isFooted = 1 === preg_match('/=[ \t\r]*\n(?!=)/', $this->body, $m, \PREG_OFFSET_CAPTURE)
            && 1 === preg_match('/\S[ \t]+\S|[^A-Za-z0-9+\/=\s]/', $this->body, offset: $m[0][1]);
        $body = $isFooted ? substr($this->body, 0, $m[0][1]) : $this->body;
        $pieces = explode('=', (string) preg_replace(['/[^A-Za-z0-9+\/=]+/', '/=+/'], ['', '='], $body));
        if (\count($pieces) > self::MOST_PIECES) {
            // Nobody joins so many; whatever it is, it is decoded in one go.
            return (string) base64_decode(implode('', $pieces));
        }

        return implode('', array_map(static fn (string $piece): string => (string) base64_decode($piece), $pieces));
    }

    private function uudecoded(): string
    {
        $lines = (string) preg_replace(['/^.*?^begin [0-7]+ [^\n]*\n/ms', '/^`?\r?\nend\s*$.*/ms'], '', $this->body);

        return (string) @convert_uudecode(str_replace("\r", '', $lines)."`\n");
    }
}
