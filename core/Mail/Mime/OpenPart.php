<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Remark\RemarkKind;

/**
 * A part while its end is being looked for. Offsets are bytes from the beginning of the message.
 */
final class OpenPart
{
    /** What stands between its parts; empty when it has none. */
    public string $boundary = '';

    /** What follows is no part of it any more (RFC 2046, 5.1.1, epilogue). */
    public bool $isClosed = false;

    /** @var list<OpenPart> */
    public array $parts = [];

    public function __construct(public readonly Headers $headers, public readonly int $body, public int $end)
    {
    }

    /** @param list<RemarkKind> $limits */
    public function part(string $raw, array $limits = []): MimePart
    {
        $parts = array_map(static fn (self $part): MimePart => $part->part($raw), $this->parts);
        $isMultipart = '' !== $this->boundary && [] !== $parts;

        return new MimePart(
            $this->headers,
            $isMultipart ? '' : substr($raw, $this->body, max(0, $this->end - $this->body)),
            $isMultipart ? $parts : [],
            $limits,
        );
    }
}
