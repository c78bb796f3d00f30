<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\AttachmentContent;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Time\Moment;

/**
 * What advice reads of a message.
 */
final readonly class Letter
{
    /**
     * @param list<Address>         $replyTo
     * @param list<Address>         $to
     * @param list<Address>         $cc
     * @param string                $text        readable plain text, "\n" line ends
     * @param array<string, string> $headers     see MessageContent::$listHeaders
     * @param list<Attachment>      $attachments
     */
    public function __construct(
        public Address $from,
        public array $replyTo,
        public array $to,
        public array $cc,
        public string $subject,
        public Moment $sentAt,
        public string $text,
        public array $headers,
        public array $attachments,
    ) {
    }

    public static function ofMessage(Message $message): self
    {
        return new self($message->from, $message->replyTo, $message->to, $message->cc, $message->subject, $message->sentAt, $message->text, $message->listHeaders, $message->attachments);
    }

    public static function of(MessageContent $content): self
    {
        $attachments = array_map(static fn (AttachmentContent $attached): Attachment => $attached->attachment, $content->attachments);

        return new self($content->from, $content->replyTo, $content->to, $content->cc, $content->subject, $content->sentAt, $content->text, $content->listHeaders, $attachments);
    }

    public function header(string $name): string
    {
        return $this->headers[$name] ?? '';
    }

    public function hasAttachment(string $type): bool
    {
        return [] !== array_filter($this->attachments, static fn (Attachment $attachment): bool => $attachment->type === $type);
    }
}
