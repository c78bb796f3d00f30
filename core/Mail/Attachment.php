<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * Something that came with a message besides its text.
 */
final readonly class Attachment implements \JsonSerializable
{
    /**
     * @param string             $name      file name, decoded, without path; never empty
     * @param string             $type      media type in lower case, e.g. "image/png"
     * @param int                $size      bytes after decoding
     * @param string             $contentId Content-ID without angle brackets (RFC 2392), empty when it has none
     * @param bool               $inline    it is shown within the formatted text
     * @param string             $method    of a calendar object what is to be done with it, in lower case (iTIP, RFC 5546, 1.4; RFC 6047,
     *                                      2.4); empty when it does not say
     * @param CalendarEvent|null $event     what a calendar object says
     */
    public function __construct(
        public string $name,
        public string $type,
        public int $size,
        public string $contentId = '',
        public bool $inline = false,
        public string $method = '',
        public ?CalendarEvent $event = null,
    ) {
    }

    /** @return array{name: string, type: string, size: int, contentId: string, inline: bool, method?: string, event?: CalendarEvent} */
    public function jsonSerialize(): array
    {
        return [
            'name' => $this->name,
            'type' => $this->type,
            'size' => $this->size,
            'contentId' => $this->contentId,
            'inline' => $this->inline,
        ] + ('' === $this->method ? [] : ['method' => $this->method]) + (null === $this->event ? [] : ['event' => $this->event]);
    }
}
