<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Thread;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Message;

/**
 * Finds the messages that a message may belong together with.
 */
interface ThreadIndex
{
    /**
     * All messages of every conversation that holds a message which
     * - is, or refers to, one that is named in the first list, or refers to the same ids; or
     * - has the base subject of one in the second list and was written within Threading::SUBJECT_DAYS of it.
     *
     * @param list<ThreadPart> $byIds
     * @param list<ThreadPart> $bySubject
     * @param list<string>     $except    ids of conversations that are known already
     *
     * @return array<string, array{part: ThreadPart, conversation: string}> by key, each message with the id of its conversation
     */
    public function neighbours(AccountId $accountId, array $byIds, array $bySubject, array $except): array;

    /** Makes a message findable by its ids and its subject. */
    public function put(Message $message): void;
}
