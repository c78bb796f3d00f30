<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Label\NameLabels;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;

/**
 * Carries what a person filled in over to a task, and makes the list that it names.
 */
final readonly class FillTask
{
    public function __construct(
        private Tasks $tasks,
        private MoveTasks $move,
        private Messages $messages,
        private Ids $ids,
        private NameLabels $labels,
    ) {
    }

    /**
     * @param \DateTimeZone $zone the person's own
     *
     * @throws Refused when a field cannot be taken as it is
     */
    public function make(
        AccountId $accountId,
        TaskId $taskId,
        \DateTimeImmutable $now,
        TaskFields $fields,
        \DateTimeZone $zone,
        Step $step,
        LastRanks $ranks,
        ?Task $parent = null,
    ): Task {
        $list = null === $parent
            ? $this->list($accountId, $fields->list ?? TaskList::DEFAULT, $step)
            : $this->tasks->getList($accountId, $parent->listId());
        $this->move->check(null, $parent);
        $labels = $this->labels($accountId, $fields, $step);
        $rank = $ranks->next($accountId, $list->id, $parent?->id);
        $task = new Task($taskId, $accountId, $now, $fields->title, $list->id, $rank);
        $task->place($list->id, $parent?->id, $rank);
        $this->fill($task, $fields, $labels, $zone);
        $task->leadBackTo($this->sources($task, $fields));
        $this->tasks->add($task);
        $step->made($task);
        $ranks->made($task);

        return $task;
    }

    /**
     * @param \DateTimeZone $zone the person's own
     *
     * @throws Refused when a field cannot be taken as it is
     */
    public function change(Task $task, TaskFields $fields, \DateTimeZone $zone, Step $step): void
    {
        $list = null === $fields->list ? null : $this->list($task->accountId, $fields->list, $step);
        $labels = $this->labels($task->accountId, $fields, $step);
        $step->touch($task);
        $task->rename($fields->title);
        $this->fill($task, $fields, $labels, $zone);
        $task->leadBackTo($this->sources($task, $fields));
        if (null !== $list && !$list->id->is($task->listId())) {
            $this->move->putLast([$task], $list, $step);
        }
    }

    /**
     * @return list<string> ids
     *
     * @throws Refused
     */
    private function labels(AccountId $accountId, TaskFields $fields, Step $step): array
    {
        return array_map(strval(...), ($this->labels)($accountId, $fields->labels, $step));
    }

    /**
     * @param list<string> $labels ids
     *
     * @throws Refused
     */
    private function fill(Task $task, TaskFields $fields, array $labels, \DateTimeZone $zone): void
    {
        $repeat = $this->repeat($task, $fields);
        $task->note($fields->notes);
        $task->repeatBy($repeat);
        $task->schedule($fields->start, $fields->due ?? $repeat?->due(), $zone);
        $task->estimate($fields->estimate);
        $task->prioritise($fields->priority);
        $task->label($labels);
        $task->remind($fields->reminders);
        foreach ($fields->files as $file) {
            if (!$this->tasks->hasFile($task->accountId, $file)) {
                throw new Refused('A file that was attached is not there any more. Attach it again.', 'files');
            }
        }
        $task->attach($fields->files);
    }

    /**
     * The copies that are there stay; of a message that is named by its address a copy is made.
     *
     * @return list<Source>
     *
     * @throws Refused when there is no such message
     */
    private function sources(Task $task, TaskFields $fields): array
    {
        $there = array_map(static fn (Source $source): string => $source->ref, $task->sources());

        return array_map(function (Source $source) use ($task, $there): Source {
            if (SourceKind::Message !== $source->kind || \in_array($source->ref, $there, true)) {
                return $source;
            }
            try {
                $message = $this->messages->at($task->accountId, $source->ref);
            } catch (NotFound) {
                throw new Refused(\sprintf('There is no message at "%s".', mb_strimwidth($source->ref, 0, 80, '…')), 'sources');
            }
            $copy = SourceCopy::of($this->ids->next(), $message, $this->messages->source($message));
            $this->tasks->addSource($copy);

            return Source::message($copy);
        }, $fields->sources);
    }

    /** A repeat that was there already goes on; a new one comes after the due that was given, or begins by itself. */
    private function repeat(Task $task, TaskFields $fields): ?Repeat
    {
        $old = $task->repeat();
        if ($fields->keepsRepeat) {
            return $old?->counted($fields->fromCompletion);
        }
        if (null === $fields->repeat) {
            return null;
        }
        if ($old?->text() === $fields->repeat->text()) {
            return $old->counted($fields->repeat->fromCompletion);
        }

        return null === $fields->due ? $fields->repeat : $this->from($fields->repeat, $fields->due);
    }

    /** @throws Refused */
    private function from(Repeat $repeat, Due $due): Repeat
    {
        $since = $repeat->rule->first($due->date);
        if (null === $since || true === $repeat->rule->until?->isBefore($since)) {
            throw new Refused(\sprintf('That repeat is over before it is due (%s).', $due->text()), 'repeat');
        }

        return new Repeat(
            $repeat->rule,
            $repeat->clock ?? $due->time,
            $due->zone ?? $repeat->zone,
            $repeat->fromCompletion,
            $since,
            $due->date,
        );
    }

    /**
     * The list of that name, made when there is none.
     *
     * @throws Refused when the name cannot be, or the list is archived
     */
    public function list(AccountId $accountId, string $name, Step $step): TaskList
    {
        $list = $this->tasks->listNamed($accountId, TaskList::checked($name));
        if (null === $list) {
            $lists = $this->tasks->lists($accountId);
            $list = new TaskList(
                new ListId($this->ids->next()),
                $accountId,
                $name,
                Rank::between(end($lists) ? end($lists)->rank() : null, null),
            );
            $this->tasks->addList($list);
            $step->made($list);
        } elseif ($list->isArchived()) {
            throw new Refused(\sprintf('The list "%s" is archived. Bring it back first, or choose another.', $list->name()), 'list');
        }

        return $list;
    }
}
