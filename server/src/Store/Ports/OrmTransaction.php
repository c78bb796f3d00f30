<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use Doctrine\Persistence\ManagerRegistry;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Journal\Transaction;

/**
 * A transaction after whose failure the next one can begin, in the same process. What is thrown is the first cause:
 * the database may have ended the transaction itself, as on a full disk, and then it cannot be taken back once more.
 */
final readonly class OrmTransaction implements Transaction
{
    public function __construct(private EntityManagerInterface $orm, private ManagerRegistry $registry, private LoggerInterface $logger)
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
            try {
                $connection->rollBack();
            } catch (\Throwable $second) {
                $this->logger->warning('A transaction could not be taken back.', ['exception' => $second]);
                // Where it began is not known any more; the next one gets a connection of its own.
                $connection->close();
            }
            if (!$this->orm->isOpen()) {
                $this->registry->resetManager();
            }
            $this->orm->clear();

            throw $problem;
        }
    }
}
