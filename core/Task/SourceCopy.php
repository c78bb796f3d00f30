<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;

/**
 * What a task keeps of the message that it came from. It never changes and outlives the message.
 *
 * @phpstan-type Person array{name: string, email: string}
 */
final readonly class SourceCopy
{
    /**
     * @param EmailId                                            $messageId     the message in this program; it may be gone
     * @param string                                             $messageHeader its Message-ID (RFC 5322, 3.6.4) without angle brackets
     * @param Person                                             $from
     * @param list<Person>                                       $to            To and Cc
     * @param string                                             $sentZone      zone or offset in which it was written
     * @param list<array{name: string, type: string, size: int}> $attachments   what was attached, without its content; sizes in bytes
     * @param string                                             $headers       its header section (RFC 5322, 2.2) as it came, in UTF-8
     */
    public function __construct(
        public string $id,
        public AccountId $accountId,
        public EmailId $messageId,
        public string $messageHeader,
        public array $from,
        public array $to,
        public string $subject,
        public \DateTimeImmutable $sentAt,
        public string $sentZone,
        public string $text,
        public array $attachments,
        public string $headers,
    ) {
    }

    /** @param string $raw the message's bytes */
    public static function of(string $id, Message $message, string $raw): self
    {
        return new self(
            $id,
            $message->accountId,
            $message->id,
            $message->messageHeader,
            $message->from->jsonSerialize(),
            array_map(static fn ($address): array => $address->jsonSerialize(), [...$message->to, ...$message->cc]),
            $message->subject,
            $message->sentAt->instant,
            $message->sentAt->zone->getName(),
            $message->text,
            array_map(
                static fn ($attachment): array => ['name' => $attachment->name, 'type' => $attachment->type, 'size' => $attachment->size],
                $message->attachments,
            ),
            self::headersOf($raw),
        );
    }

    /** @param string $raw the bytes of a message */
    public static function headersOf(string $raw): string
    {
        $parts = preg_split('/\r\n\r\n|\n\n|\r\r/', $raw, 2);

        return mb_scrub(str_replace(["\r\n", "\r"], "\n", \is_array($parts) ? $parts[0] : ''));
    }
}
