<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\DBAL\ParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Arrival\Arrive;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Post\GoingOut;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Mailroom\Out\BuildMessage;
use ZippyTray\Server\Mailroom\Out\MailOut;
use ZippyTray\Server\Mailroom\Out\NotTaken;
use ZippyTray\Server\Mailroom\Out\Unanswered;
use ZippyTray\Server\Store\Attempts;

/**
 * Sends what goes out by now. Each message goes through three steps: its bytes are kept and it is marked as begun; it
 * is handed over; it is marked as sent and lies in its conversation. The first and the last are a transaction each, so
 * whoever stops in between leaves one that is begun. The next round asks the way out whether it has that one: if so it
 * is finished, if not it is done again with the same bytes, and where nobody can tell, the person is asked.
 *
 * Only one of these works at a time (WorkCommand).
 */
final readonly class Deliver
{
    public function __construct(
        private Outgoings $outgoings,
        private GoingOut $goingOut,
        private Accounts $accounts,
        private Ways $ways,
        private BuildMessage $build,
        private Arrive $arrive,
        private Transaction $transaction,
        private Connection $connection,
        private EntityManagerInterface $orm,
        private ClockInterface $clock,
        private Attempts $attempts,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @param callable(): bool $isEnding asked before each message
     *
     * @return int how many were tried
     */
    public function __invoke(callable $isEnding): int
    {
        // It runs for a long time, and others write meanwhile.
        $this->orm->clear();
        $begun = array_map(static fn (Outgoing $one): array => [$one->accountId, $one->id], $this->outgoings->begun());
        foreach ($begun as [$accountId, $id]) {
            $this->guarded($accountId, $id, fn () => $this->pickUp($this->outgoings->get($accountId, $id)));
        }
        $tried = 0;
        $due = array_map(static fn (Outgoing $one): array => [$one->accountId, $one->id], $this->outgoings->due($this->now()));
        foreach ($due as [$accountId, $id]) {
            if ($isEnding()) {
                break;
            }
            $this->guarded($accountId, $id, fn () => $this->send($accountId, $id));
            ++$tried;
        }

        return $tried;
    }

    /**
     * Whatever goes wrong with one message is said of that one, and the others go on. When it is the database that does
     * not work, the message waits for the next round.
     *
     * @param callable(): mixed $work
     */
    private function guarded(AccountId $accountId, OutgoingId $id, callable $work): void
    {
        try {
            if (!$this->attempts->begin('send '.$id)) {
                throw new \RuntimeException('It has ended the worker several times.');
            }
            $work();
        } catch (DatabaseProblem $problem) {
            $this->logger->error(
                'A message could not be sent now, since the database does not work.',
                ['outgoing' => $id, 'exception' => $problem],
            );
        } catch (\Throwable $problem) {
            $this->logger->error('A message could not be sent.', ['outgoing' => $id, 'exception' => $problem]);
            $this->giveUp($accountId, $id);
        } finally {
            $this->attempts->end();
            $this->orm->clear();
        }
    }

    private function giveUp(AccountId $accountId, OutgoingId $id): void
    {
        try {
            $this->outcome(
                $accountId,
                $id,
                fn (Outgoing $one) => $this->goingOut->fail(
                    $one,
                    'This program could not put it together or send it; the log says more. Copy its text into a new message.',
                ),
            );
            $this->attempts->forget('send '.$id);
        } catch (\Throwable $problem) {
            $this->logger->error('That a message could not be sent could not be noted.', ['outgoing' => $id, 'exception' => $problem]);
        }
    }

    /** Another one stopped while this was handed over. */
    private function pickUp(Outgoing $left): void
    {
        $account = $this->accounts->get($left->accountId->text);
        try {
            $hasTaken = $this->out($account, $left)->hasTaken($left->messageHeader);
        } catch (NotTaken|Refused) {
            $hasTaken = false;
        }
        match ($hasTaken) {
            true => $this->finish($account, $left),
            false => $this->transaction->run(static fn () => $left->notBegun()),
            null => $this->transaction->run(fn () => $this->goingOut->doubt($left, 'The program was stopped while this was handed over.')),
        };
    }

    private function send(AccountId $accountId, OutgoingId $id): void
    {
        $account = $this->accounts->get($accountId->text);
        try {
            $outgoing = $this->begin($account, $id);
            if (null === $outgoing) {
                return;
            }
            $this->out($account, $outgoing)->submit(
                $outgoing->messageHeader,
                new Address($account->sender($outgoing->letter()->from), $account->profile->name()),
                $outgoing->letter()->recipients(),
                $this->source($outgoing),
            );
        } catch (NotTaken $problem) {
            $this->outcome(
                $accountId,
                $id,
                fn (Outgoing $one) => $problem->forGood
                    ? $this->goingOut->fail($one, $problem->getMessage())
                    : $this->goingOut->tryAgain($one, $problem->getMessage()),
            );

            return;
        } catch (Refused $problem) {
            $this->outcome($accountId, $id, fn (Outgoing $one) => $this->goingOut->fail($one, $problem->getMessage()));

            return;
        } catch (Unanswered $problem) {
            $outgoing = $this->outgoings->get($accountId, $id);
            if (true === $this->out($account, $outgoing)->hasTaken($outgoing->messageHeader)) {
                $this->finish($account, $outgoing);
            } else {
                $this->transaction->run(fn () => $this->goingOut->doubt($outgoing, $problem->getMessage()));
            }

            return;
        }
        $this->finish($account, $outgoing);
    }

    /** @throws NotTaken */
    private function out(Account $account, Outgoing $outgoing): MailOut
    {
        return $this->ways->out($account, $account->sender($outgoing->letter()->from));
    }

    /** Null when it was taken back in the last moment. */
    private function begin(Account $account, OutgoingId $id): ?Outgoing
    {
        return $this->transaction->run(function () use ($account, $id): ?Outgoing {
            $known = $this->outgoings->find($account->id, $id);
            if (null === $known) {
                return null;
            }
            // Read anew, now that nobody else can write.
            $this->orm->detach($known);
            $outgoing = $this->outgoings->get($account->id, $id);
            $now = $this->now();
            if (!$outgoing->isDue($now)) {
                return null;
            }
            $raw = ($this->build)($account, $outgoing, $now);
            $this->connection->executeStatement(
                'INSERT INTO outgoing_source (outgoing_id, source) VALUES (?, ?) ON CONFLICT (outgoing_id) DO UPDATE SET source = '
                    .'excluded.source',
                [$outgoing->id, gzcompress($raw)],
                [ParameterType::STRING, ParameterType::LARGE_OBJECT],
            );
            $outgoing->begin();

            return $outgoing;
        });
    }

    /** It is out, and lies in its conversation. */
    private function finish(Account $account, Outgoing $outgoing): void
    {
        $own = $this->arrive->read($account->recipient(), BuildMessage::withBcc($this->source($outgoing), $outgoing->letter()));
        $this->transaction->run(function () use ($account, $outgoing, $own): void {
            $this->arrive->keep($account->recipient(), $own);
            $this->orm->flush();
            $this->connection->executeStatement('DELETE FROM outgoing_source WHERE outgoing_id = ?', [$outgoing->id]);
            $this->goingOut->isOut($outgoing);
        });
    }

    /** @param callable(Outgoing): mixed $what */
    private function outcome(AccountId $accountId, OutgoingId $id, callable $what): void
    {
        $this->transaction->run(fn () => $what($this->outgoings->get($accountId, $id)));
    }

    private function source(Outgoing $outgoing): string
    {
        $source = $this->connection->fetchOne('SELECT source FROM outgoing_source WHERE outgoing_id = ?', [$outgoing->id]);
        $raw = \is_string($source) ? gzuncompress($source) : false;

        return false === $raw ? throw new \LogicException('What is begun has its bytes.') : $raw;
    }

    private function now(): \DateTimeImmutable
    {
        return \DateTimeImmutable::createFromInterface($this->clock->now());
    }
}
