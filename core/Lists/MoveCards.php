<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Stage\AtStage;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Tray\Conversations;

/**
 * Moves what belongs to a list along its stages and back, and among its like. Each is named as the conversation or task that it is.
 */
final readonly class MoveCards
{
    public function __construct(
        private Tasks $tasks,
        private Cards $cards,
        private Conversations $conversations,
        private MoveAtStages $move,
        private Journal $journal,
    ) {
    }

    /**
     * They stand in the given order afterwards, one behind the other.
     *
     * @param list<ObjectRef> $refs     conversations and tasks of the list
     * @param string|null     $stageId  null: off the line
     * @param ObjectRef|null  $behind   what they are to stand behind; null: the beginning or the end of the stage
     * @param bool            $atTheEnd where $behind is null
     *
     * @throws NotFound
     * @throws Refused
     */
    public function to(
        AccountId $accountId,
        EntryId $entryId,
        ListId $listId,
        array $refs,
        ?string $stageId,
        ?ObjectRef $behind = null,
        bool $atTheEnd = true,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::MoveCard, function (Step $step) use (
            $accountId,
            $listId,
            $refs,
            $stageId,
            $behind,
            $atTheEnd,
        ): void {
            $list = $this->tasks->getList($accountId, $listId);
            $stage = null === $stageId ? null : $list->stages()->at($stageId) ?? throw new NotFound('stage', $stageId);
            if ([] === $refs) {
                throw new Refused('Which ones?', 'cards');
            }
            $moved = array_map(fn (ObjectRef $ref): AtStage => $this->inList($accountId, $ref, $list), $refs);
            $spot = null === $behind ? null : $this->inList($accountId, $behind, $list)->stage();
            if (null !== $behind && ($spot?->stage !== $stageId || \in_array($behind, $refs, false))) {
                throw new Refused('What it was to stand behind is not at that stage any more.', 'behind');
            }
            $this->move->put($moved, $list, $stage, null === $behind && $atTheEnd ? null : $spot->rank ?? '', $step);
            $step->say($this->subject($accountId, $refs[0]), MoveAtStages::said($list, $stage), \count($refs));
        });
    }

    /**
     * Each goes on from where it stands, in every list that it belongs to and that has stages; there behind all others.
     *
     * @param list<ObjectRef> $refs conversations and tasks
     * @param int             $by   stages onwards; negative: back. Off the line lies before the first
     *
     * @throws NotFound
     * @throws Refused  when none of them can go there
     */
    public function along(AccountId $accountId, EntryId $entryId, array $refs, int $by): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::MoveCard, function (Step $step) use ($accountId, $refs, $by): void {
            [$moves, $lists, $staged, $count] = [[], [], false, 0];
            foreach ($refs as $ref) {
                $here = 0;
                foreach ($this->each($accountId, $ref) as $one) {
                    $list = $lists[$one->listId()->text] ??= $this->tasks->getList($accountId, $one->listId());
                    $at = $list->stages()->at($one->stage()?->stage);
                    $to = $list->stages()->along($at, $by);
                    $staged = $staged || null !== $list->stages()->first();
                    if ($to?->id !== $at?->id) {
                        $moves[$list->id->text.' '.$to?->id] ??= [$list, $to, []];
                        $moves[$list->id->text.' '.$to?->id][2][] = $one;
                        ++$here;
                    }
                }
                if ($here > 0) {
                    ++$count;
                    $step->say($this->subject($accountId, $ref), '');
                }
            }
            if (0 === $count) {
                throw new Refused(match (true) {
                    !$staged => 'It belongs to no list that has stages.',
                    $by > 0 => 'It stands at the last stage.',
                    default => 'It stands off the line, before the first stage.',
                });
            }
            foreach ($moves as [$list, $stage, $cards]) {
                $this->move->put($cards, $list, $stage, null, $step);
            }
            $step->say('', implode('; ', array_map(static fn (array $move): string => MoveAtStages::said($move[0], $move[1]), $moves)));
        });
    }

    /**
     * @throws NotFound
     * @throws Refused  when it does not belong to the list
     */
    private function inList(AccountId $accountId, ObjectRef $ref, TaskList $list): AtStage
    {
        foreach ($this->each($accountId, $ref) as $one) {
            if ($one->listId()->is($list->id)) {
                return $one;
            }
        }

        throw new Refused(\sprintf('It does not belong to %s any more.', $list->name()), 'cards');
    }

    /**
     * @return list<AtStage> the cards of a conversation, or the task
     *
     * @throws NotFound
     */
    private function each(AccountId $accountId, ObjectRef $ref): array
    {
        return ObjectKind::Task === $ref->kind
            ? [$this->tasks->get($accountId, new TaskId($ref->id))]
            : $this->cards->ofConversation($accountId, new ConversationId($ref->id));
    }

    /** @throws NotFound */
    private function subject(AccountId $accountId, ObjectRef $ref): string
    {
        return ObjectKind::Task === $ref->kind
            ? $this->tasks->get($accountId, new TaskId($ref->id))->title()
            : $this->conversations->get($accountId, new ConversationId($ref->id))->subject();
    }
}
