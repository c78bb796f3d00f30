<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * Decides which parts of a message are its text and which came along with it.
 *
 * Of alternatives (RFC 2046, 5.1.4) the plain text and the last HTML count; the first part of a
 * related set (RFC 2387) is its root; of a signed set (RFC 1847) the first part is what was signed.
 */
final class BodyParts
{
    /** @var list<MimePart> */
    public array $plain = [];

    /** @var list<MimePart> */
    public array $html = [];

    /** @var list<MimePart> */
    public array $attached = [];

    public function __construct(private readonly HeaderParameters $parameters)
    {
    }

    public function sort(MimePart $part): void
    {
        $type = $this->typeOf($part);
        if ([] === $part->parts || 'message/rfc822' === $type) {
            $this->leaf($part, $type);
        } elseif ('multipart/alternative' === $type) {
            $this->alternatives($part);
        } else {
            foreach ($part->parts as $child) {
                $this->sort($child);
            }
        }
    }

    /** The media type in lower case; that of a part without a usable one is text/plain (RFC 2045, 5.2). */
    public function typeOf(MimePart $part): string
    {
        $type = $this->parameters->value($part->headers->get('content-type'));

        return match (true) {
            1 === preg_match('#^[a-z0-9!\#$&^_.+-]+/[a-z0-9!\#$&^_.+-]+$#D', $type) => $type,
            str_contains($type, '/') => 'application/octet-stream',
            default => 'text/plain',
        };
    }

    private function leaf(MimePart $part, string $type): void
    {
        $disposition = $part->headers->get('content-disposition');
        $named = '' !== $this->parameters->get($disposition, 'filename')
            || '' !== $this->parameters->get($part->headers->get('content-type'), 'name');
        $attached = 'attachment' === $this->parameters->value($disposition) || ($named && ([] !== $this->plain || [] !== $this->html));
        match (true) {
            !$attached && 'text/plain' === $type => $this->plain[] = $part,
            !$attached && 'text/html' === $type => $this->html[] = $part,
            str_starts_with($type, 'multipart/') => '' === trim($part->body) ? null : $this->plain[] = $part,
            default => $this->attached[] = $part,
        };
    }

    private function alternatives(MimePart $part): void
    {
        $texts = [\count($this->plain), \count($this->html)];
        $html = $this->html;
        foreach ($part->parts as $child) {
            $before = \count($this->html);
            $this->sort($child);
            if (\count($this->html) > $before) {
                $html = [...\array_slice($this->html, 0, $texts[1]), ...\array_slice($this->html, $before)];
            }
        }
        $this->plain = \array_slice($this->plain, 0, $texts[0] + 1);
        $this->html = $html;
    }
}
