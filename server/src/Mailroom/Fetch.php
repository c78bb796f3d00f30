<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\MessageReader;
use ZippyTray\Core\Tray\ReceiveMessage;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Mailroom\In\Arrived;
use ZippyTray\Server\Mailroom\In\NotReached;
use ZippyTray\Server\Store\FindingsStore;

/**
 * Brings in what has come for everybody. How far that went is noted in the transaction in which a message is taken in.
 */
final readonly class Fetch
{
    public function __construct(private Accounts $accounts, private Ways $ways, private ReceiveMessage $receive, private FindingsStore $findings, private Transaction $transaction, private Connection $connection, private EntityManagerInterface $orm, private MessageReader $reader, private ClockInterface $clock, private LoggerInterface $logger)
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
            return $this->transaction->run(function () use ($account, $arrived): int {
                $message = $this->isErased($account, $arrived->raw) ? null : ($this->receive)($account->id, $account->email, $arrived->raw, endsSnooze: $account->traySettings()->mailEndsSnooze);
                if (null !== $message && !$message->own) {
                    $this->findings->keep($account, $message);
                }
                $this->note($account, $arrived->cursor);

                return null === $message ? 0 : 1;
            });
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

    /** What the person has removed for good does not come in again. */
    private function isErased(Account $account, string $raw): bool
    {
        $fingerprint = $this->reader->read($raw, \DateTimeImmutable::createFromInterface($this->clock->now()))->fingerprint;

        return false !== $this->connection->fetchOne('SELECT 1 FROM erased_message WHERE account_id = ? AND fingerprint = ?', [$account->id, $fingerprint]);
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
