<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\View;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\BodyPart;
use ZippyTray\Core\Mail\BodyText;
use ZippyTray\Core\Mail\DateSource;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Server\Store\StoredNow;

/**
 * A message as it is read on screen.
 */
final readonly class MessageView
{
    /**
     * @param list<Address>    $replyTo
     * @param list<Address>    $to
     * @param list<Address>    $cc
     * @param list<Attachment> $attachments
     * @param list<BodyPart>   $parts       whose words the text is, from its beginning to its end
     */
    private function __construct(
        public string $id,
        public string $messageHeader,
        public Address $from,
        public array $replyTo,
        public array $to,
        public array $cc,
        public string $subject,
        public string $sentAt,
        public DateSource $dateSource,
        public string $text,
        public array $parts,
        public bool $plain,
        public bool $formatted,
        public array $attachments,
        public bool $own,
        public int $size,
        public ?FoundView $found,
    ) {
    }

    public static function of(Message $message, ?Findings $findings = null): self
    {
        return new self(
            $message->id,
            $message->messageHeader,
            $message->from,
            $message->replyTo,
            $message->to,
            $message->cc,
            $message->subject,
            StoredNow::of($message->sentAt->instant),
            $message->dateSource,
            $message->text,
            (new BodyText())->parts($message->text),
            $message->plain,
            $message->formatted,
            $message->attachments,
            $message->own,
            $message->size,
            null === $findings ? null : FoundView::of($findings),
        );
    }
}
