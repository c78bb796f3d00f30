<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\AttachmentContent;
use ZippyTray\Core\Mail\CalendarEvent;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Remark\Remark;
use ZippyTray\Core\Time\Digits;
use ZippyTray\Core\Time\Moment;

/**
 * What advice reads of a message.
 */
final readonly class Gist
{
    /** Characters of the text that are read; nobody asks for something behind so many. */
    private const LENGTH = 20_000;

    /** Characters of its end, where mail for many says so. */
    private const ENDING = 4000;

    /** The beginning, its digits as those of ASCII; every character has the place that it has in the message. */
    public string $text;

    public string $ending;

    /**
     * @param list<Address>         $replyTo
     * @param list<Address>         $to
     * @param list<Address>         $cc
     * @param string                $text        readable plain text, "\n" line ends
     * @param array<string, string> $headers     see MessageContent::$listHeaders
     * @param list<Attachment>      $attachments
     * @param list<Remark>          $remarks     what pretends to be something else
     */
    public function __construct(
        public Address $from,
        public array $replyTo,
        public array $to,
        public array $cc,
        public string $subject,
        public Moment $sentAt,
        string $text,
        public array $headers,
        public array $attachments,
        public array $remarks = [],
    ) {
        $this->text = Digits::ascii(mb_substr($text, 0, self::LENGTH));
        $this->ending = mb_substr(mb_strcut($text, max(0, \strlen($text) - 4 * self::ENDING)), -self::ENDING);
    }

    /** @return list<Address> to whom it is addressed */
    public function addressed(): array
    {
        return [...$this->to, ...$this->cc];
    }

    /** @param list<Remark>|null $remarks those of the message when they are not kept with it */
    public static function ofMessage(Message $message, ?array $remarks = null): self
    {
        return new self(
            $message->from,
            $message->replyTo,
            $message->to,
            $message->cc,
            $message->subject,
            $message->sentAt,
            $message->text,
            $message->listHeaders,
            $message->attachments,
            $remarks ?? $message->remarks(),
        );
    }

    public static function of(MessageContent $content): self
    {
        $attachments = array_map(static fn (AttachmentContent $attached): Attachment => $attached->attachment, $content->attachments);

        return new self(
            $content->from,
            $content->replyTo,
            $content->to,
            $content->cc,
            $content->subject,
            $content->sentAt,
            $content->text,
            $content->listHeaders,
            $attachments,
            $content->remarks,
        );
    }

    public function header(string $name): string
    {
        return $this->headers[$name] ?? '';
    }

    /** What a calendar object that came with it says. */
    public function event(): ?CalendarEvent
    {
        foreach ($this->attachments as $attachment) {
            if (null !== $attachment->event) {
                return $attachment->event;
            }
        }

        return null;
    }

    public function hasAttachment(string $type): bool
    {
        return [] !== array_filter($this->attachments, static fn (Attachment $attachment): bool => $attachment->type === $type);
    }
}
