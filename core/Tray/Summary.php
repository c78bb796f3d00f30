<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Text\SubjectLine;

/**
 * What lists show of a conversation. It follows from the messages alone and can be made anew from them at any time, so it is no
 * part of what is decided, and of nothing that is undone.
 */
final readonly class Summary
{
    /**
     * @param string             $latestName  who wrote last, of those who are not the person and no machine; by name or address
     * @param string             $latestEmail may be empty
     * @param string             $habitKey    the list or the sender by which habits are told
     * @param \DateTimeImmutable $latestAt    of the latest message, whosever it is
     * @param int                $attachments in all messages together
     */
    private function __construct(
        public string $subject,
        public string $latestName,
        public string $latestEmail,
        public string $excerpt,
        public string $habitKey,
        public \DateTimeImmutable $latestAt,
        public int $messages,
        public int $attachments,
    ) {
    }

    public static function none(): self
    {
        return new self('', '', '', '', '', new \DateTimeImmutable('@0'), 0, 0);
    }

    /** @param list<Message> $messages all that the conversation holds */
    public static function of(array $messages): self
    {
        usort($messages, static fn (Message $a, Message $b): int => [$a->sentAt->instant, $a->id] <=> [$b->sentAt->instant, $b->id]);

        if ([] === $messages) {
            return self::none();
        }
        $telling = $messages[0];
        foreach ($messages as $message) {
            $telling = self::isTelling($message) ? $message : $telling;
        }
        $attachments = array_sum(array_map(static fn (Message $one): int => \count($one->attachments), $messages));

        return self::told($telling, end($messages)->sentAt->instant, \count($messages), $attachments);
    }

    public function isBefore(Message $message): bool
    {
        return $this->latestAt < $message->sentAt->instant;
    }

    /**
     * With one message more: the first says what it is about, then the latest of somebody else does. Of one that is not the
     * latest this cannot be told without the others.
     */
    public function with(Message $message): self
    {
        $isFirst = 0 === $this->messages;
        $isLater = $isFirst || $message->sentAt->instant >= $this->latestAt;
        $latestAt = $isLater ? $message->sentAt->instant : $this->latestAt;
        $attachments = $this->attachments + \count($message->attachments);
        if (!$isFirst && (!$isLater || !self::isTelling($message))) {
            return new self(
                $this->subject,
                $this->latestName,
                $this->latestEmail,
                $this->excerpt,
                $this->habitKey,
                $latestAt,
                $this->messages + 1,
                $attachments,
            );
        }

        return self::told($message, $latestAt, $this->messages + 1, $attachments);
    }

    /** Whether the latest of these says what it is about. */
    private static function isTelling(Message $message): bool
    {
        return !$message->own && !$message->isAutomaticAnswer();
    }

    private static function told(Message $by, \DateTimeImmutable $latestAt, int $messages, int $attachments): self
    {
        return new self(
            SubjectLine::cleaned($by->subject),
            $by->from->label(),
            $by->from->email,
            $by->excerpt(),
            HabitKey::of($by->listHeaders, $by->from),
            $latestAt,
            $messages,
            $attachments,
        );
    }
}
