<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Tray\Importance\Learn;
use ZippyTray\Core\Tray\Importance\Lessons;

/**
 * Learns from what was decided since, a part of it at a time.
 */
final readonly class KeepLearning
{
    private const AT_ONCE = 200;

    public function __construct(
        private Learn $learn,
        private Lessons $lessons,
        private Connection $connection,
        private EntityManagerInterface $orm,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * An entry of which nothing can be learned is logged and left out.
     *
     * @param callable(): bool $isEnding asked before each entry
     *
     * @return int how many entries it has learned from
     */
    public function __invoke(callable $isEnding): int
    {
        $learned = 0;
        $accounts = $this->connection->fetchFirstColumn(
            'SELECT a.id FROM account a LEFT JOIN learning l ON l.account_id = a.id WHERE EXISTS (
                SELECT 1 FROM journal_entry e WHERE e.account_id = a.id AND e.number > COALESCE(l.learned_to, 0))',
        );
        foreach ($accounts as $id) {
            $accountId = new AccountId(\is_string($id) ? $id : '');
            try {
                $learned += ($this->learn)($accountId, self::AT_ONCE, $isEnding);
            } catch (\Throwable $problem) {
                $next = 1 + $this->lessons->learnedTo($accountId);
                $this->logger->error('Nothing could be learned from an entry.', ['entry' => $next, 'exception' => $problem]);
                $this->lessons->setLearnedTo($accountId, $next);
            }
        }
        if ($learned > 0) {
            $this->orm->clear();
        }

        return $learned;
    }
}
