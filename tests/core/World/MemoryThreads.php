<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Mail\Thread\ThreadIndex;
use ZippyTray\Core\Mail\Thread\Threading;
use ZippyTray\Core\Mail\Thread\ThreadPart;

final readonly class MemoryThreads implements ThreadIndex
{
    public function __construct(private Memory $memory)
    {
    }

    public function neighbours(AccountId $accountId, array $byIds, array $bySubject, array $except): array
    {
        $conversations = [];
        foreach ($this->memory->messages as $id => $message) {
            $other = ThreadPart::ofMessage($message);
            $isLinked = array_filter($byIds, static fn (ThreadPart $part): bool => [] !== array_intersect($other->ids(), $part->ids()));
            $isAlike = array_filter($bySubject, static fn (ThreadPart $part): bool => self::isAlike($other, $part));
            if ([] !== $isLinked || [] !== $isAlike) {
                $conversations[] = $this->memory->conversationOf[$id];
            }
        }
        $found = [];
        foreach ($this->memory->conversationOf as $id => $conversation) {
            if (\in_array($conversation, array_diff($conversations, $except), true)) {
                $found[$id] = ['part' => ThreadPart::ofMessage($this->memory->messages[$id]), 'conversation' => $conversation];
            }
        }

        return $found;
    }

    private static function isAlike(ThreadPart $one, ThreadPart $other): bool
    {
        $base = SubjectLine::base($one->subject);
        $days = abs($one->sentAt->getTimestamp() - $other->sentAt->getTimestamp()) / 86_400;

        return '' !== $base && $base === SubjectLine::base($other->subject) && $days <= Threading::SUBJECT_DAYS;
    }

    public function put(Message $message): void
    {
        // The messages themselves are looked through.
    }
}
