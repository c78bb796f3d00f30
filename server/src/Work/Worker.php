<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Server\Store\StoredNow;

/**
 * Does the chores that are due. When each was done last is in the database, so that beginning anew does not repeat them.
 */
final readonly class Worker
{
    /** @param iterable<Chore> $chores */
    public function __construct(
        #[AutowireIterator(Chore::class)]
        private iterable $chores,
        private Connection $connection,
        private Transaction $transaction,
        private EntityManagerInterface $orm,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * One that fails is reported, tried again at its next time, and does not keep the others from being done.
     *
     * @param callable(): bool $isEnding asked before each chore
     *
     * @return array<string, bool> by the names of those that were due: whether it was done
     */
    public function round(callable $isEnding): array
    {
        $done = [];
        foreach ($this->chores as $chore) {
            if ($isEnding()) {
                break;
            }
            $now = \DateTimeImmutable::createFromInterface($this->clock->now());
            if (!$this->isDue($chore, $now)) {
                continue;
            }
            try {
                $do = function () use ($chore, $now): void {
                    $this->note($chore, $now);
                    $chore->do($now);
                };
                $chore instanceof LongChore ? $do() : $this->transaction->run($do);
                $done[$chore->name()] = true;
            } catch (\Throwable $problem) {
                $this->logger->error('A chore failed.', ['chore' => $chore->name(), 'exception' => $problem]);
                $this->note($chore, $now);
                $done[$chore->name()] = false;
            }
            $this->orm->clear();
        }

        return $done;
    }

    /** A clock that was set back makes everything due. */
    private function isDue(Chore $chore, \DateTimeImmutable $now): bool
    {
        $at = $this->connection->fetchOne('SELECT done_at FROM chore WHERE name = ?', [$chore->name()]);
        $ago = \is_string($at) ? $now->getTimestamp() - (new \DateTimeImmutable($at))->getTimestamp() : $chore->every();

        return $ago >= $chore->every() || $ago < 0;
    }

    private function note(Chore $chore, \DateTimeImmutable $now): void
    {
        $this->connection->executeStatement(
            'INSERT INTO chore (name, done_at) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET done_at = excluded.done_at',
            [$chore->name(), StoredNow::of($now)],
        );
    }
}
