<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Thread;

use ZippyTray\Core\Mail\Text\SubjectLine;

/**
 * Finds the conversations in a set of messages, by the REFERENCES algorithm of RFC 5256, section 3.
 *
 * Trees are built from message ids; missing parents stand in as empty places. The subject is used
 * only to join a reply, marked as such, whose parent is not there, to a conversation of the last
 * 60 days with a person in common. The result depends on the set alone, not on its order.
 */
final readonly class Threading
{
    public const SUBJECT_DAYS = 60;

    /**
     * @param list<ThreadPart> $parts
     *
     * @return list<list<ThreadPart>> messages in order of date, conversations in order of their first
     */
    public function threads(array $parts): array
    {
        usort($parts, self::order(...));
        $threads = [];
        foreach ($this->containers($parts) as $container) {
            $root = spl_object_id($container->root());
            $threads[$root] = [...$threads[$root] ?? [], ...$container->parts];
        }
        $threads = array_values(array_filter($threads));
        foreach ($threads as &$thread) {
            usort($thread, self::order(...));
        }
        unset($thread);
        usort($threads, static fn (array $a, array $b): int => self::order($a[0], $b[0]));

        return $this->joinedBySubject($threads);
    }

    /**
     * Steps 1 and 2 of the algorithm.
     *
     * @param list<ThreadPart> $parts in order
     *
     * @return array<string, ThreadContainer> by id
     */
    private function containers(array $parts): array
    {
        /** @var array<string, ThreadContainer> $containers */
        $containers = [];
        $own = [];
        foreach ($parts as $part) {
            $id = '' === $part->header ? "\0".$part->key : $part->header;
            $own[] = [$part, $containers[$id] ??= new ThreadContainer()];
            $containers[$id]->parts[] = $part;
        }
        // The parent that a message names itself counts more than what others say of it, so it comes first.
        foreach ($own as [$part, $container]) {
            $last = $part->references[\count($part->references) - 1] ?? null;
            if (null !== $last && null === $container->parent()) {
                $container->moveUnder($containers[$last] ??= new ThreadContainer());
            }
        }
        foreach ($own as [$part]) {
            $above = null;
            foreach ($part->references as $id) {
                $place = $containers[$id] ??= new ThreadContainer();
                if (null !== $above && null === $place->parent()) {
                    $place->moveUnder($above);
                }
                $above = $place;
            }
        }

        return $containers;
    }

    /**
     * @param list<non-empty-list<ThreadPart>> $threads in order
     *
     * @return list<list<ThreadPart>> in order
     */
    private function joinedBySubject(array $threads): array
    {
        if (\count($threads) < 2) {
            return $threads;
        }
        /** @var array<string, list<array{ThreadPart, int}>> $bySubject base subject => messages with the thread that each is in */
        $bySubject = [];
        foreach ($threads as $number => $thread) {
            foreach ($thread as $part) {
                $bySubject[SubjectLine::base($part->subject)][] = [$part, $number];
            }
        }
        unset($bySubject['']);
        /** @var array<int, int> $into thread => the earlier thread that it is joined to */
        $into = [];
        foreach ($threads as $number => $thread) {
            $found = SubjectLine::isReply($thread[0]->subject)
                ? $this->earlier($thread[0], $number, $bySubject[SubjectLine::base($thread[0]->subject)] ?? [])
                : null;
            if (null !== $found) {
                $into[$number] = $found;
            }
        }
        $joined = [];
        foreach ($threads as $number => $thread) {
            while (isset($into[$number])) {
                $number = $into[$number];
            }
            $joined[$number] = [...$joined[$number] ?? [], ...$thread];
        }
        ksort($joined);
        foreach ($joined as &$thread) {
            usort($thread, self::order(...));
        }

        return array_values($joined);
    }

    /**
     * The thread of the newest message before the reply that it may belong to.
     *
     * @param list<array{ThreadPart, int}> $candidates with the same base subject
     */
    private function earlier(ThreadPart $reply, int $own, array $candidates): ?int
    {
        $found = null;
        $newest = null;
        foreach ($candidates as [$part, $thread]) {
            $isBefore = $thread < $own && self::order($part, $reply) < 0;
            $isRecent = $part->sentAt >= $reply->sentAt->modify(\sprintf('-%d days', self::SUBJECT_DAYS));
            $isKnown = \in_array($reply->sender, $part->people, true) || \in_array($part->sender, $reply->people, true);
            if ($isBefore && $isRecent && $isKnown && (null === $newest || self::order($part, $newest) > 0)) {
                [$newest, $found] = [$part, $thread];
            }
        }

        return $found;
    }

    private static function order(ThreadPart $a, ThreadPart $b): int
    {
        return [$a->sentAt, $a->header, $a->key] <=> [$b->sentAt, $b->header, $b->key];
    }
}
