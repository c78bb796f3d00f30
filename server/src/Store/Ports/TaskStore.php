<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\SourceCopy;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;

/**
 * What was changed is written down before it is asked for, so that queries see it.
 */
final readonly class TaskStore implements Tasks
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, TaskId $id): Task
    {
        $task = $this->orm->find(Task::class, $id);

        return $task?->accountId->is($accountId) ? $task : throw new NotFound('task', $id->text);
    }

    public function add(Task $task): void
    {
        $this->orm->persist($task);
    }

    public function remove(Task $task): void
    {
        $this->orm->remove($task);
    }

    public function under(array $tasks): array
    {
        $this->orm->flush();
        $ids = $this->orm->getConnection()->fetchFirstColumn(
            'WITH RECURSIVE below (id) AS (
                SELECT t.id FROM task t JOIN json_each(:ids) top ON t.parent_id = top.value
                UNION SELECT t.id FROM task t JOIN below ON t.parent_id = below.id
             ) SELECT id FROM below',
            ['ids' => json_encode(array_map(static fn (Task $task): string => $task->id->text, $tasks), \JSON_THROW_ON_ERROR)],
        );

        return $this->all($ids);
    }

    public function rankBehind(AccountId $accountId, ListId $listId, ?TaskId $parentId, ?string $rank, array $except = []): ?string
    {
        $this->orm->flush();
        $found = $this->orm->getConnection()->fetchOne(
            'SELECT MIN(rank) FROM task WHERE account_id = ? AND list_id = ? AND parent_id IS ? AND rank > ? AND id NOT IN (SELECT value '
                .'FROM json_each(?))',
            [$accountId, $listId, $parentId, $rank ?? '', json_encode($except, \JSON_THROW_ON_ERROR)],
        );

        return \is_string($found) ? $found : null;
    }

    public function lastRank(AccountId $accountId, ListId $listId, ?TaskId $parentId): ?string
    {
        $this->orm->flush();
        $found = $this->orm->getConnection()->fetchOne(
            'SELECT MAX(rank) FROM task WHERE account_id = ? AND list_id = ? AND parent_id IS ?',
            [$accountId, $listId, $parentId],
        );

        return \is_string($found) ? $found : null;
    }

    public function ofList(TaskList $list): array
    {
        $this->orm->flush();

        return $this->orm->getRepository(Task::class)->findBy(['accountId' => $list->accountId, 'listId' => $list->id]);
    }

    public function done(AccountId $accountId, ?ListId $listId): array
    {
        $this->orm->flush();

        return $this->all($this->orm->getConnection()->fetchFirstColumn(
            'SELECT id FROM task WHERE account_id = :account AND completed_at IS NOT NULL AND (:list IS NULL OR list_id = :list)',
            ['account' => $accountId, 'list' => $listId],
        ));
    }

    public function listNamed(AccountId $accountId, string $name): ?TaskList
    {
        foreach ($this->lists($accountId) as $list) {
            if (mb_strtolower($list->name()) === mb_strtolower($name)) {
                return $list;
            }
        }

        return null;
    }

    public function getList(AccountId $accountId, ListId $id): TaskList
    {
        $list = $this->orm->find(TaskList::class, $id);

        return $list?->accountId->is($accountId) ? $list : throw new NotFound('list', $id->text);
    }

    public function lists(AccountId $accountId): array
    {
        return $this->orm->getRepository(TaskList::class)->findBy(['accountId' => $accountId], ['rank' => 'ASC', 'id' => 'ASC']);
    }

    public function addList(TaskList $list): void
    {
        $this->orm->persist($list);
        $this->orm->flush();
    }

    public function removeList(TaskList $list): void
    {
        $this->orm->remove($list);
    }

    public function addSource(SourceCopy $source): void
    {
        $this->orm->persist($source);
    }

    public function hasFile(AccountId $accountId, string $id): bool
    {
        return false !== $this->orm->getConnection()->fetchOne('SELECT 1 FROM file WHERE account_id = ? AND id = ?', [$accountId, $id]);
    }

    /**
     * @param list<mixed> $ids
     *
     * @return list<Task>
     */
    private function all(array $ids): array
    {
        $tasks = [];
        // As many as SQLite takes parameters for at once.
        foreach (array_chunk($ids, 10_000) as $some) {
            array_push($tasks, ...$this->orm->getRepository(Task::class)->findBy(['id' => $some]));
        }

        return $tasks;
    }
}
