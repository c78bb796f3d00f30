<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Rank;
use ZippyTray\Core\Task\Stage\StageSpot;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Place;

/**
 * Puts conversations into lists and takes them out. A conversation can belong to several. One that is still to be decided, or
 * comes back, begins at the first stage of a list that has stages; what is dealt with stands off the line.
 */
final readonly class PutIntoLists
{
    /** Lists of one conversation. */
    public const MOST = 10;

    public function __construct(
        private Conversations $conversations,
        private Cards $cards,
        private Tasks $tasks,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * @param EntryId              $entryId         made by the client; the same id again changes nothing
     * @param list<ConversationId> $conversationIds
     * @param list<ListId>         $into
     * @param list<ListId>         $outOf
     *
     * @throws NotFound when a conversation or a list is not there; then nothing is done
     * @throws Refused  when one would belong to too many; then nothing is done
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, array $conversationIds, array $into, array $outOf): Entry
    {
        if ([] === [...$into, ...$outOf] || [] === $conversationIds) {
            throw new Refused('Which list?', 'into');
        }

        return $this->journal->write($accountId, $entryId, EntryKind::PutIntoList, function (Step $step) use (
            $accountId,
            $conversationIds,
            $into,
            $outOf,
        ): void {
            [$into, $outOf] = array_map(fn (array $ids): array => $this->lists($accountId, $ids), [$into, $outOf]);
            $last = [];
            foreach ($into as $list) {
                $first = $list->stages()->first();
                $last[$list->id->text] = null === $first ? null : $this->cards->lastRank($accountId, $list->id, $first->id);
            }
            foreach ($conversationIds as $id) {
                $conversation = $this->conversations->get($accountId, $id);
                $this->change($conversation, $into, $outOf, $last, $step);
                $step->say($conversation->subject());
            }
            $step->say('', implode(', ', [
                ...array_map(static fn (TaskList $list): string => 'into '.$list->name(), $into),
                ...array_map(static fn (TaskList $list): string => 'out of '.$list->name(), $outOf),
            ]));
        });
    }

    /**
     * Puts one conversation into one list, within another step.
     *
     * @throws Refused when it would belong to too many
     */
    public function put(Conversation $conversation, TaskList $list, Step $step): void
    {
        $first = $list->stages()->first();
        $last = [$list->id->text => null === $first ? null : $this->cards->lastRank($list->accountId, $list->id, $first->id)];
        $this->change($conversation, [$list], [], $last, $step);
    }

    /**
     * @param list<ListId> $ids
     *
     * @return list<TaskList>
     *
     * @throws NotFound
     */
    private function lists(AccountId $accountId, array $ids): array
    {
        return array_map(fn (ListId $id): TaskList => $this->tasks->getList($accountId, $id), $ids);
    }

    /**
     * @param list<TaskList>             $into
     * @param list<TaskList>             $outOf
     * @param array<string, string|null> $last  the last rank at the first stage, by list
     *
     * @throws Refused
     */
    private function change(Conversation $conversation, array $into, array $outOf, array &$last, Step $step): void
    {
        $there = [];
        $outOf = array_map(static fn (TaskList $list): string => $list->id->text, $outOf);
        foreach ($this->cards->ofConversation($conversation->accountId, $conversation->id) as $card) {
            if (\in_array($card->listId()->text, $outOf, true)) {
                $step->removed($card);
                $this->cards->takeOut($card);
            } else {
                $there[$card->listId()->text] = $card;
            }
        }
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        foreach ($into as $list) {
            if (!isset($there[$list->id->text])) {
                $card = new Card($this->ids->next(), $conversation->accountId, $conversation->id, $list->id, $now);
                $there[$list->id->text] = $card;
                $first = $list->stages()->first();
                if (null !== $first && \in_array($conversation->placeAt($now), [Place::Tray, Place::Away], true)) {
                    $rank = $last[$list->id->text] = Rank::between($last[$list->id->text] ?? null, null);
                    $card->standAt(new StageSpot($first->id, $now, $rank));
                }
                $this->cards->put($card);
                $step->made($card);
            }
        }
        if (\count($there) > self::MOST) {
            throw new Refused(\sprintf('A conversation can belong to %d lists.', self::MOST), 'into');
        }
    }
}
