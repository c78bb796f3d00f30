<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use ZippyTray\Core\Task\SourceCopy;
use ZippyTray\Server\Read\Post\TextPiece;
use ZippyTray\Server\Read\Tray\ConversationRow;
use ZippyTray\Server\Store\StoredNow;

/**
 * The copy that a task keeps of a message, with the way back to that as long as it is there.
 *
 * @phpstan-import-type Person from SourceCopy
 */
final readonly class SourceCopyView
{
    /**
     * @param Person                                             $from
     * @param list<Person>                                       $to          To and Cc
     * @param string                                             $sentAt      in UTC (RFC 3339)
     * @param list<array{name: string, type: string, size: int}> $attachments sizes in bytes
     * @param string|null                                        $message     null when it is gone, as its conversation is then
     */
    private function __construct(
        public string $id,
        public string $messageHeader,
        public array $from,
        public array $to,
        public string $subject,
        public string $sentAt,
        public string $text,
        public string $headers,
        public array $attachments,
        public ?string $message,
        public ?ConversationRow $conversation,
    ) {
    }

    public static function of(SourceCopy $copy, ?ConversationRow $conversation): self
    {
        $piece = TextPiece::of($copy->text);

        return new self(
            $copy->id,
            $copy->messageHeader,
            $copy->from,
            $copy->to,
            $copy->subject,
            StoredNow::of($copy->sentAt),
            $piece->text.(null === $piece->next ? '' : "\n(It goes on; the message itself has all of it.)"),
            $copy->headers,
            $copy->attachments,
            (null === $conversation ? null : $copy->messageId)?->text,
            $conversation,
        );
    }
}
