<?php

declare(strict_types=1);

namespace ZippyTray\Core\Arrival;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Label\Borne;
use ZippyTray\Core\Label\Labels;
use ZippyTray\Core\Lists\Card;
use ZippyTray\Core\Lists\Cards;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Thread\ThreadIndex;
use ZippyTray\Core\Mail\Thread\Threading;
use ZippyTray\Core\Mail\Thread\ThreadPart;
use ZippyTray\Core\Owed\Owing;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Place;

/**
 * Finds the conversation that a message belongs to, and rearranges the neighbouring ones where the
 * message shows that they belong together, or that one of them is two.
 *
 * The outcome is that of threading all messages at once, in whatever order they come.
 */
final readonly class SortIntoConversations
{
    public function __construct(
        private ThreadIndex $index,
        private Messages $messages,
        private Conversations $conversations,
        private Owing $owing,
        private Labels $labels,
        private Cards $cards,
        private Ids $ids,
    ) {
    }

    /** @param Place $place where a conversation begins that did not exist before */
    public function __invoke(Message $message, Place $place): Conversation
    {
        [$threads, $now] = $this->threads($message);
        $target = null;
        $kept = [];
        $changed = [];
        foreach ($threads as $thread) {
            $keys = array_map(static fn (ThreadPart $part): string => $part->key, $thread);
            $known = array_values(array_unique(array_intersect_key($now, array_flip($keys))));
            $id = array_values(array_diff($known, $kept))[0] ?? null;
            $conversation = null === $id
                ? $this->begin($message->accountId, $known, $place)
                : $this->conversations->get($message->accountId, new ConversationId($id));
            $kept[] = $conversation->id->text;
            $moved = array_values(array_filter(
                $keys,
                static fn (string $key): bool => isset($now[$key]) && $now[$key] !== $conversation->id->text,
            ));
            if ([] !== $moved) {
                $changed[] = [$conversation, $moved, array_values(array_diff($known, [$conversation->id->text]))];
            }
            $target = \in_array($message->id->text, $keys, true) ? $conversation : $target;
        }
        $this->rearrange($message->accountId, $changed, array_diff(array_unique($now), $kept));

        return $target ?? throw new \LogicException('Threading leaves no message out.');
    }

    /**
     * Looks at all messages that are linked to this one by ids, however far, and at those of its
     * subject. Where one conversation falls into pieces, these may belong to others by their
     * subject, so the neighbours of the pieces are looked at, too.
     *
     * @return array{
     *     list<list<ThreadPart>>, array<string, string>
     * } the conversations as they should be; message id => conversation id as it is
     */
    private function threads(Message $message): array
    {
        $new = ThreadPart::ofMessage($message);
        [$parts, $now] = [[$new->key => $new], []];
        [$byIds, $bySubject] = [[$new], [$new]];
        do {
            $found = $this->index->neighbours($message->accountId, $byIds, $bySubject, array_values(array_unique($now)));
            $byIds = [];
            foreach ($found as $key => ['part' => $part, 'conversation' => $conversation]) {
                [$parts[$key], $now[$key], $byIds[]] = [$part, $conversation, $part];
            }
            $threads = (new Threading())->threads(array_values($parts));
            $bySubject = [] === $byIds ? [] : $this->parted($threads, $now);
        } while ([] !== $byIds);

        return [$threads, $now];
    }

    /**
     * @param list<list<ThreadPart>> $threads
     * @param array<string, string>  $now     message id => conversation id
     *
     * @return list<ThreadPart> the messages of conversations that are in more than one thread
     */
    private function parted(array $threads, array $now): array
    {
        $threadsOf = [];
        foreach ($threads as $number => $thread) {
            foreach ($thread as $part) {
                $threadsOf[$now[$part->key] ?? ''][$number] = true;
            }
        }
        unset($threadsOf['']);
        $conversations = array_filter($threadsOf, static fn (array $numbers): bool => \count($numbers) > 1);

        return array_values(array_filter(
            array_merge(...$threads),
            static fn (ThreadPart $part): bool => isset($conversations[$now[$part->key] ?? '']),
        ));
    }

    /**
     * @param list<string> $origins the conversations that its messages were in; when there are any, it stays where they are
     */
    private function begin(AccountId $accountId, array $origins, Place $place): Conversation
    {
        $conversation = new Conversation(new ConversationId($this->ids->next()), $accountId, $place);
        if ([] !== $origins) {
            $conversation->restore($this->conversations->get($accountId, new ConversationId($origins[0]))->state());
        }
        $this->conversations->add($conversation);
        foreach ([] === $origins ? [] : $this->labels->borneBy($accountId, new ConversationId($origins[0])) as $borne) {
            $this->labels->put(new Borne($this->ids->next(), $accountId, $conversation->id, $borne->labelId(), $borne->since()));
        }
        foreach ([] === $origins ? [] : $this->cards->ofConversation($accountId, new ConversationId($origins[0])) as $card) {
            $this->cards->put(new Card($this->ids->next(), $accountId, $conversation->id, $card->listId(), $card->since()));
        }

        return $conversation;
    }

    /**
     * @param list<array{
     *     Conversation, list<string>, list<string>
     * }> $changed each with the messages that come into it, and the conversations they come from
     * @param array<string> $left conversations that nothing is left of
     */
    private function rearrange(AccountId $accountId, array $changed, array $left): void
    {
        $touched = [];
        foreach ($changed as [$conversation, $moved, $origins]) {
            $this->conversations->move(array_map(static fn (string $id): EmailId => new EmailId($id), $moved), $conversation);
            $touched[$conversation->id->text] = $conversation;
            foreach ($origins as $origin) {
                $other = $this->conversations->get($accountId, new ConversationId($origin));
                $touched[$origin] = $other;
                if (\in_array($origin, $left, true)) {
                    $conversation->takeOver($other);
                    $this->owing->move($accountId, new ConversationId($origin), $conversation->id);
                    $this->labels->move($accountId, new ConversationId($origin), $conversation->id);
                    $this->moveCards($accountId, new ConversationId($origin), $conversation->id);
                }
            }
        }
        foreach ($touched as $id => $conversation) {
            if (\in_array($id, $left, true)) {
                $this->conversations->forget($conversation);
            } else {
                $conversation->describe($this->messages->ofConversation($accountId, new ConversationId($id)));
            }
        }
    }

    /** What belonged to a list belongs to it still: once. */
    private function moveCards(AccountId $accountId, ConversationId $from, ConversationId $to): void
    {
        $there = [];
        foreach ($this->cards->ofConversation($accountId, $to) as $card) {
            $there[$card->listId()->text] = true;
        }
        foreach ($this->cards->ofConversation($accountId, $from) as $card) {
            isset($there[$card->listId()->text]) ? $this->cards->takeOut($card) : $card->moveTo($to);
        }
    }
}
