<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Mailroom\In\Arrived;
use ZippyTray\Server\Mailroom\In\NotReached;

/**
 * Brings in what has come for everybody. How far that went is noted in the transaction in which a message is taken in.
 */
final readonly class Fetch
{
    public function __construct(private Accounts $accounts, private Ways $ways, private TakeIn $takeIn, private Connection $connection, private EntityManagerInterface $orm, private LoggerInterface $logger)
    {
    }

    /**
     * @param callable(): bool $isEnding asked before each message
     *
     * @return int how many were taken in
     */
    public function __invoke(callable $isEnding): int
    {
        $taken = 0;
        $this->orm->clear();
        foreach ($this->accounts->all() as $account) {
            try {
                $in = $this->ways->in($account);
                foreach (null === $in ? [] : $in->since($this->cursor($account)) as $arrived) {
                    if ($isEnding()) {
                        return $taken;
                    }
                    $taken += $this->take($account, $arrived);
                }
            } catch (NotReached $problem) {
                $this->logger->warning('No mail could be fetched.', ['account' => $account->id, 'problem' => $problem->getMessage()]);
            }
        }

        return $taken;
    }

    /** @return int 1 when it was new */
    private function take(Account $account, Arrived $arrived): int
    {
        try {
            $message = ($this->takeIn)($account, $arrived->raw, again: false, with: fn () => $this->note($account, $arrived->cursor));

            return null === $message ? 0 : 1;
        } catch (DatabaseProblem $problem) {
            throw $problem;
        } catch (\Throwable $problem) {
            // It lies where it came from; a fault of ours must not keep the rest of somebody's mail out.
            $this->logger->error('A message that has come could not be taken in.', ['account' => $account->id, 'cursor' => $arrived->cursor, 'exception' => $problem]);
            $this->note($account, $arrived->cursor);

            return 0;
        }
    }

    private function note(Account $account, string $cursor): void
    {
        $this->connection->executeStatement('INSERT INTO fetched (account_id, way, seen_to) VALUES (?, ?, ?) ON CONFLICT (account_id, way) DO UPDATE SET seen_to = excluded.seen_to', [$account->id, $this->way($account), $cursor]);
    }

    private function cursor(Account $account): string
    {
        $cursor = $this->connection->fetchOne('SELECT seen_to FROM fetched WHERE account_id = ? AND way = ?', [$account->id, $this->way($account)]);

        return \is_string($cursor) ? $cursor : '';
    }

    /** Another folder is another way. */
    private function way(Account $account): string
    {
        $ways = $account->mailWays();

        return $ways->in.('' === $ways->folder ? '' : ' '.hash('xxh32', $ways->folder));
    }
}
