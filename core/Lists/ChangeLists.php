<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Branch;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\MoveTasks;
use ZippyTray\Core\Task\Rank;
use ZippyTray\Core\Task\RemoveTasks;
use ZippyTray\Core\Task\Stage\Stage;
use ZippyTray\Core\Task\Stage\Stages;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;

/**
 * What can be done with lists of tasks.
 */
final readonly class ChangeLists
{
    /** How deep lists lie under one another: a list, one under it, and one under that. */
    public const LEVELS = 2;

    private Branch $branch;

    public function __construct(
        private Tasks $tasks,
        private Cards $cards,
        private References $references,
        private MoveTasks $move,
        private RemoveTasks $remove,
        private Journal $journal,
    ) {
        $this->branch = new Branch($tasks);
    }

    /**
     * @param ListId $listId made by the client
     *
     * @throws Refused when the name cannot be, or is taken
     */
    public function add(AccountId $accountId, EntryId $entryId, ListId $listId, string $name, Colour $colour): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::AddList, function (Step $step) use (
            $accountId,
            $listId,
            $name,
            $colour,
        ): void {
            $this->checkFree($accountId, $name, null);
            $lists = $this->tasks->lists($accountId);
            $list = new TaskList($listId, $accountId, $name, Rank::between(end($lists) ? end($lists)->rank() : null, null));
            $list->colour($colour);
            $this->tasks->addList($list);
            $step->made($list);
            $step->say($list->name());
        });
    }

    /**
     * @throws NotFound
     * @throws Refused  when the name cannot be, or is taken
     */
    public function edit(AccountId $accountId, EntryId $entryId, ListId $listId, string $name, Colour $colour, bool $archived): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditList, function (Step $step) use (
            $accountId,
            $listId,
            $name,
            $colour,
            $archived,
        ): void {
            $list = $this->tasks->getList($accountId, $listId);
            $this->checkFree($accountId, $name, $list);
            $step->touch($list);
            $step->say($list->name(), match (true) {
                $archived && !$list->isArchived() => 'archived, with its tasks',
                !$archived && $list->isArchived() => 'back from the archive',
                $list->name() !== TaskList::checked($name) => 'now '.TaskList::checked($name),
                default => '',
            });
            $list->rename($name);
            $list->colour($colour);
            $list->archive($archived);
        });
    }

    /**
     * @param string $was what stood there when somebody began to write
     *
     * @throws NotFound
     * @throws Refused  when it is too long, or something else stands there by now
     */
    public function note(AccountId $accountId, EntryId $entryId, ListId $listId, string $note, string $was): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditList, function (Step $step) use (
            $accountId,
            $listId,
            $note,
            $was,
        ): void {
            $list = $this->tasks->getList($accountId, $listId);
            if ($list->note() !== $was) {
                throw new Refused('This note was changed in another window meanwhile. Look at it, then save yours once more.', 'note');
            }
            $step->touch($list);
            $list->noteDown($note);
            $first = explode("\n", $list->note())[0];
            $step->say($list->name(), '' === $first ? 'without note' : 'note: '.mb_strimwidth($first, 0, 80, '…'));
        });
    }

    /**
     * What stands at a stage that is left out stands off the line, and at it again where that is undone.
     *
     * @param list<string> $were ids of the stages that somebody saw who changes them
     *
     * @throws NotFound
     * @throws Refused  when they were changed meanwhile
     */
    public function stages(AccountId $accountId, EntryId $entryId, ListId $listId, Stages $stages, array $were): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditList, function (Step $step) use (
            $accountId,
            $listId,
            $stages,
            $were,
        ): void {
            $list = $this->tasks->getList($accountId, $listId);
            if ($were !== array_map(static fn (Stage $stage): string => $stage->id, $list->stages()->all)) {
                throw new Refused('The stages of this list were changed in another window meanwhile. Look at them once more.', 'stages');
            }
            $step->touch($list);
            $list->goThrough($stages);
            $names = array_map(static fn (Stage $stage): string => $stage->name, $stages->all);
            $step->say($list->name(), [] === $names ? 'without stages' : 'stages: '.implode(', ', $names));
        });
    }

    /**
     * @param ListId|null $behindId the list behind which it is to stand; null: the first of its like
     * @param ListId|null $parentId the list that it is to lie under; null: none
     *
     * @throws NotFound
     * @throws Refused  when that would nest lists deeper than LEVELS, or under themselves
     */
    public function move(AccountId $accountId, EntryId $entryId, ListId $listId, ?ListId $behindId, ?ListId $parentId = null): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditList, function (Step $step) use (
            $accountId,
            $listId,
            $behindId,
            $parentId,
        ): void {
            $list = $this->tasks->getList($accountId, $listId);
            $all = $this->tasks->lists($accountId);
            if (null !== $parentId) {
                $this->checkNesting($list, $this->tasks->getList($accountId, $parentId), $all);
            }
            $others = array_values(array_filter(
                $all,
                static fn (TaskList $other): bool => !$other->id->is($listId) && $other->liesUnder($parentId),
            ));
            $at = null === $behindId ? -1 : array_search(
                $behindId->text,
                array_map(static fn (TaskList $other): string => $other->id->text, $others),
                true,
            );
            if (false === $at) {
                throw new NotFound('list', (string) $behindId);
            }
            $step->touch($list);
            $list->place(Rank::between(($others[$at] ?? null)?->rank(), ($others[$at + 1] ?? null)?->rank()), $parentId);
            $step->say($list->name(), null === $parentId ? 'moved' : 'under '.$this->tasks->getList($accountId, $parentId)->name());
        });
    }

    /**
     * @param list<TaskList> $all
     *
     * @throws Refused
     */
    private function checkNesting(TaskList $list, TaskList $parent, array $all): void
    {
        $above = 1;
        for ($at = $parent; null !== $at && $above <= \count($all); $at = self::above($at, $all)) {
            if ($at->id->is($list->id)) {
                throw new Refused('A list cannot lie under itself.', 'parent');
            }
            $above += null === self::above($at, $all) ? 0 : 1;
        }
        if ($above + self::below($list, $all, self::LEVELS) > self::LEVELS) {
            throw new Refused(\sprintf('Lists lie under one another %d levels deep.', self::LEVELS), 'parent');
        }
    }

    /** @param list<TaskList> $all */
    private static function above(TaskList $list, array $all): ?TaskList
    {
        foreach ($all as $other) {
            if (true === $list->parentId()?->is($other->id)) {
                return $other;
            }
        }

        return null;
    }

    /**
     * @param list<TaskList> $all
     *
     * @return int how many levels lie under it, no more than $most + 1
     */
    private static function below(TaskList $list, array $all, int $most): int
    {
        $levels = array_map(
            static fn (TaskList $under): int => $most < 0 ? 0 : 1 + self::below($under, $all, $most - 1),
            array_filter($all, static fn (TaskList $other): bool => $other->liesUnder($list->id)),
        );

        return [] === $levels ? 0 : max($levels);
    }

    /**
     * @param ListId|null $moveTo the list that its tasks and things to look up go to; null: they are deleted with it
     *
     * @throws NotFound
     * @throws Refused  when its tasks are to go to itself
     */
    public function delete(AccountId $accountId, EntryId $entryId, ListId $listId, ?ListId $moveTo): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DeleteList, function (Step $step) use (
            $accountId,
            $listId,
            $moveTo,
        ): void {
            $list = $this->tasks->getList($accountId, $listId);
            $tasks = $this->tasks->ofList($list);
            $tops = array_values(array_filter($tasks, static fn (Task $task): bool => null === $task->parentId()));
            usort($tops, static fn (Task $a, Task $b): int => $a->rank() <=> $b->rank());
            $target = null === $moveTo ? null : $this->tasks->getList($accountId, $moveTo);
            if (true === $target?->id->is($list->id)) {
                throw new Refused('Its tasks cannot go to the list that is deleted.', 'moveTo');
            }
            if (null !== $target) {
                $this->move->putLast($tops, $target, $step);
            }
            foreach (null === $target ? $this->branch->each($tops) : [] as $branch) {
                $this->remove->remove($branch, $step);
            }
            foreach ($this->tasks->lists($accountId) as $under) {
                if ($under->liesUnder($list->id)) {
                    $step->touch($under);
                    $under->place($under->rank(), $list->parentId());
                }
            }
            foreach ($this->cards->ofList($accountId, $listId) as $card) {
                $step->removed($card);
                $this->cards->takeOut($card);
            }
            $last = null === $target ? null : $this->references->lastRank($accountId, $target->id);
            foreach ($this->references->ofList($accountId, $listId) as $reference) {
                if (null === $target) {
                    $step->removed($reference);
                    $this->references->remove($reference);
                } else {
                    $step->touch($reference);
                    $reference->place($target->id, $last = Rank::between($last, null));
                }
            }
            $step->removed($list);
            $this->tasks->removeList($list);
            $count = \count($tasks);
            $step->say($list->name(), match (true) {
                0 === $count => '',
                null === $target => \sprintf('with %d task%s', $count, 1 === $count ? '' : 's'),
                default => \sprintf('%d task%s to %s', $count, 1 === $count ? '' : 's', $target->name()),
            });
        });
    }

    /** @throws Refused */
    private function checkFree(AccountId $accountId, string $name, ?TaskList $own): void
    {
        $other = $this->tasks->listNamed($accountId, TaskList::checked($name));
        if (null !== $other && $other !== $own) {
            throw new Refused(
                \sprintf('There is a list "%s" already%s.', $other->name(), $other->isArchived() ? ', in the archive' : ''),
                'list',
            );
        }
    }
}
