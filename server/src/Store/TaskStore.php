<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\SourceCopy;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;

final readonly class TaskStore implements Tasks
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(string $accountId, string $id): Task
    {
        return $this->orm->getRepository(Task::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('task', $id);
    }

    public function add(Task $task): void
    {
        $this->orm->persist($task);
        $this->orm->flush();
    }

    public function remove(Task $task): void
    {
        $this->orm->remove($task);
        $this->orm->flush();
    }

    public function listNamed(string $accountId, string $name): ?TaskList
    {
        foreach ($this->orm->getRepository(TaskList::class)->findBy(['accountId' => $accountId]) as $list) {
            if (mb_strtolower($list->name()) === mb_strtolower($name)) {
                return $list;
            }
        }

        return null;
    }

    public function addList(TaskList $list): void
    {
        $this->orm->persist($list);
        $this->orm->flush();
    }

    public function addSource(SourceCopy $source): void
    {
        $this->orm->persist($source);
    }
}
