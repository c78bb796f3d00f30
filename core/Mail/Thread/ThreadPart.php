<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Thread;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\MessageContent;

/**
 * What threading needs to know of a message.
 */
final readonly class ThreadPart
{
    /**
     * @param string       $key        names the message, unlike any other in the set
     * @param string       $header     Message-ID without angle brackets; may be empty
     * @param list<string> $references ids that it refers to, the direct parent last
     * @param string       $sender     address in lower case
     * @param list<string> $people     addresses of all who wrote or got it, in lower case
     */
    public function __construct(
        public string $key,
        public string $header,
        public array $references,
        public string $subject,
        public \DateTimeImmutable $sentAt,
        public string $sender,
        public array $people,
    ) {
    }

    public static function ofMessage(Message $message): self
    {
        $people = array_map(
            static fn (Address $address): string => strtolower($address->email),
            [$message->from, ...$message->to, ...$message->cc],
        );

        return new self(
            $message->id->text,
            $message->messageHeader,
            $message->references,
            $message->subject,
            $message->sentAt->instant,
            $people[0],
            array_values(array_unique(array_filter($people))),
        );
    }

    public static function of(string $key, MessageContent $content): self
    {
        $people = array_map(
            static fn (Address $address): string => strtolower($address->email),
            [$content->from, ...$content->to, ...$content->cc],
        );

        return new self(
            $key,
            $content->header,
            $content->references,
            $content->subject,
            $content->sentAt->instant,
            $people[0],
            array_values(array_unique(array_filter($people))),
        );
    }

    /** @return list<string> the ids by which it belongs together with others: its own and those that it refers to */
    public function ids(): array
    {
        return array_values(array_unique(array_filter([$this->header, ...$this->references])));
    }
}
