<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * Tasks with all that lies under them.
 */
final readonly class Branch
{
    public function __construct(private Tasks $tasks)
    {
    }

    /** @return non-empty-list<Task> the task first, every parent before its subtasks, in their order */
    public function of(Task $task): array
    {
        return $this->each([$task])[0] ?? [$task];
    }

    /**
     * @param list<Task> $tops none of them lies under another
     *
     * @return list<non-empty-list<Task>> one for each, in the same order
     */
    public function each(array $tops): array
    {
        $under = [];
        foreach ($this->tasks->under($tops) as $task) {
            $under[(string) $task->parentId()][] = $task;
        }
        foreach ($under as &$beside) {
            usort($beside, static fn (Task $a, Task $b): int => [$a->rank(), $a->id] <=> [$b->rank(), $b->id]);
        }
        unset($beside);

        return array_map(static fn (Task $top): array => self::walk($top, $under), $tops);
    }

    /** @return list<Task> what it is a part of, the nearest first */
    public function above(Task $task): array
    {
        $above = [];
        while (null !== $task->parentId()) {
            $task = $this->tasks->get($task->accountId, $task->parentId());
            $above[] = $task;
        }

        return $above;
    }

    /** How many levels lie under it. */
    public function height(Task $task): int
    {
        $depths = [];
        foreach ($this->of($task) as $one) {
            $depths[$one->id->text] = 1 + ($depths[(string) $one->parentId()] ?? -1);
        }

        return max($depths);
    }

    /**
     * Without those that lie under another of them, since they go along with it; each once.
     *
     * @param list<Task> $tasks
     *
     * @return list<Task>
     */
    public function tops(array $tasks): array
    {
        $ids = [];
        foreach ($tasks as $task) {
            $ids[$task->id->text] = $task;
        }

        return array_values(array_filter(
            $ids,
            fn (Task $task): bool => [] === array_filter(
                $this->above($task),
                static fn (Task $above): bool => isset($ids[$above->id->text]),
            ),
        ));
    }

    /**
     * @param array<string, list<Task>> $under by the id of their parent
     *
     * @return non-empty-list<Task>
     */
    private static function walk(Task $task, array $under): array
    {
        $all = [$task];
        foreach ($under[$task->id->text] ?? [] as $subtask) {
            array_push($all, ...self::walk($subtask, $under));
        }

        return $all;
    }
}
