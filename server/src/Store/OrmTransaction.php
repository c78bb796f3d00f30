<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\Journal\Transaction;

/**
 * A transaction after whose failure the next one can begin.
 */
final readonly class OrmTransaction implements Transaction
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function run(callable $work): mixed
    {
        $connection = $this->orm->getConnection();
        $connection->beginTransaction();
        try {
            $result = $work();
            $this->orm->flush();
            $connection->commit();

            return $result;
        } catch (\Throwable $problem) {
            $connection->rollBack();
            $this->orm->clear();

            throw $problem;
        }
    }
}
