<?php

declare(strict_types=1);

namespace ZippyTray\Server\Books;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\Task\SourceCopy;
use ZippyTray\Core\Task\Task;

final readonly class CopiesReadable implements BookCheck
{
    public function __construct(private Connection $connection, private EntityManagerInterface $orm)
    {
    }

    public function claim(): string
    {
        return 'Each task can be read, and the copies that it keeps of its messages are there.';
    }

    public function look(): Found
    {
        $found = new Found();
        foreach (['task' => Task::class, 'source_copy' => SourceCopy::class] as $table => $class) {
            foreach ($this->connection->fetchFirstColumn("SELECT id FROM {$table}") as $id) {
                ++$found->seen;
                try {
                    $object = $this->orm->find($class, $id);
                    $object instanceof Task && $object->state();
                } catch (\Throwable $problem) {
                    $found->wrong(\sprintf('%s %s cannot be read: %s', $table, \is_string($id) ? $id : '', $problem->getMessage()));
                }
                0 === $found->seen % 500 && $this->orm->clear();
            }
        }

        return $found->allWrong(
            'A task has lost the copy of its message',
            $this->connection->fetchFirstColumn(
                "SELECT t.id FROM task t, json_each(t.sources) j WHERE j.value ->> 'kind' = 'message' AND NOT EXISTS (SELECT 1
                    FROM source_copy c WHERE c.id = j.value ->> 'ref')",
            ),
        );
    }

    public function repair(): void
    {
    }
}
