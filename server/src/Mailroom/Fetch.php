<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Arrival\Arrive;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Mailroom\In\Arrived;
use ZippyTray\Server\Mailroom\In\NotReached;
use ZippyTray\Server\Store\Attempts;
use ZippyTray\Server\Store\LeftOut;

/**
 * Brings in what has come for everybody. How far that went is noted in the transaction in which a message is taken in.
 * What cannot be taken in is left where it is, and the person is told of it; the rest goes on.
 */
final readonly class Fetch
{
    public function __construct(
        private Accounts $accounts,
        private Ways $ways,
        private Arrive $arrive,
        private LeftOut $leftOut,
        private Attempts $attempts,
        private Transaction $transaction,
        private Connection $connection,
        private EntityManagerInterface $orm,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
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
            foreach ($account->mailboxes() as $mailbox) {
                try {
                    $ways = $mailbox->ways();
                    $in = $this->ways->in($ways, $account->email);
                    foreach (null === $in ? [] : $in->since($this->cursor($account, $ways)) as $arrived) {
                        if ($isEnding()) {
                            return $taken;
                        }
                        $taken += $this->take($account, $ways, $arrived);
                    }
                } catch (NotReached $problem) {
                    $this->logger->warning('No mail could be fetched.', ['account' => $account->id, 'problem' => $problem->getMessage()]);
                } catch (\Throwable $problem) {
                    // That of the others is fetched nevertheless.
                    $this->logger->error('Mail could not be fetched.', ['account' => $account->id, 'exception' => $problem]);
                }
            }
        }

        return $taken;
    }

    /** @return int 1 when it was new */
    private function take(Account $account, MailWays $ways, Arrived $arrived): int
    {
        if (null === $arrived->raw) {
            $this->leave($account, $ways, $arrived, $arrived->problem);

            return 0;
        }
        $attempt = 'fetch '.$account->id.' '.hash('xxh128', $arrived->cursor);
        if (!$this->attempts->begin($attempt)) {
            $this->logger->error(
                'A message that has come has ended the worker several times, and is left.',
                ['account' => $account->id, 'cursor' => $arrived->cursor],
            );
            $this->leave($account, $ways, $arrived, 'This program could not read it: it takes too much.');
            $this->attempts->forget($attempt);

            return 0;
        }
        try {
            $message = ($this->arrive)(
                $account->recipient($this->clock->now()),
                $arrived->raw,
                again: false,
                with: fn () => $this->note($account, $ways, $arrived->cursor),
            );

            return null === $message ? 0 : 1;
        } catch (DatabaseProblem $problem) {
            // It is not the message's fault, and is tried again.
            throw $problem;
        } catch (UnreadableMessage $problem) {
            $this->leave($account, $ways, $arrived, $problem->getMessage());

            return 0;
        } catch (\Throwable $problem) {
            $this->logger->error(
                'A message that has come could not be taken in.',
                ['account' => $account->id, 'cursor' => $arrived->cursor, 'exception' => $problem],
            );
            $this->leave($account, $ways, $arrived, 'This program could not read it; the log says more.');

            return 0;
        } finally {
            $this->attempts->end();
        }
    }

    private function leave(Account $account, MailWays $ways, Arrived $arrived, string $problem): void
    {
        $this->transaction->run(function () use ($account, $ways, $arrived, $problem): void {
            $this->leftOut->note($account->id, $ways->in, $arrived->name, $problem);
            $this->note($account, $ways, $arrived->cursor);
        });
    }

    private function note(Account $account, MailWays $ways, string $cursor): void
    {
        $this->connection->executeStatement(
            'INSERT INTO fetched (account_id, way, seen_to) VALUES (?, ?, ?) ON CONFLICT (account_id, way) DO UPDATE SET seen_to = '
                .'excluded.seen_to',
            [$account->id, self::way($ways), $cursor],
        );
    }

    private function cursor(Account $account, MailWays $ways): string
    {
        $cursor = $this->connection->fetchOne(
            'SELECT seen_to FROM fetched WHERE account_id = ? AND way = ?',
            [$account->id, self::way($ways)],
        );

        return \is_string($cursor) ? $cursor : '';
    }

    /** Another folder is another way. */
    private static function way(MailWays $ways): string
    {
        return $ways->in.('' === $ways->folder ? '' : ' '.hash('xxh32', $ways->folder));
    }
}
