<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Arrival\Arrive;
use ZippyTray\Core\Arrival\Incoming;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Statistics;

/**
 * Takes mail from files into an account. A message that cannot be read is reported, and the rest goes on.
 *
 * A few at a time are read first, which takes its time, and then kept in one transaction, for which others wait.
 */
final readonly class ImportMail
{
    /** Messages that are kept in one transaction, and bytes of them. */
    private const BATCH = 100;

    private const BATCH_BYTES = 8_000_000;

    /** After so many new ones, what the planner knows is old. */
    private const MANY = 1000;

    public function __construct(
        private MailFiles $files,
        private Arrive $arrive,
        private Transaction $transaction,
        private EntityManagerInterface $orm,
        private Statistics $statistics,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @param iterable<string, string>             $paths    how to call a file in the report => where it is; several may have one name
     * @param (callable(ImportOutcome): void)|null $progress called after each few messages
     * @param int                                  $advised  so many are read for advice at once; the worker reads the rest
     */
    public function __invoke(
        Account $account,
        iterable $paths,
        Place $into = Place::Tray,
        ?callable $progress = null,
        int $advised = \PHP_INT_MAX,
    ): ImportOutcome {
        $outcome = new ImportOutcome();
        $batch = [];
        $bytes = 0;
        foreach ($paths as $name => $path) {
            foreach ($this->files->in($path, $name) as $found) {
                $letter = $this->read($account, $found, $into, $outcome, $advised > 0);
                $outcome->bytes += \strlen($found->raw ?? '');
                if (null !== $letter) {
                    $advised -= $letter->isDecided && $letter->isAdvised ? 1 : 0;
                    $batch[] = [$found, $letter];
                    $bytes += \strlen($letter->raw);
                }
                if (\count($batch) >= self::BATCH || $bytes >= self::BATCH_BYTES) {
                    $this->keep($account, $batch, $outcome);
                    $batch = [];
                    $bytes = 0;
                    null === $progress ?: $progress($outcome);
                }
            }
        }
        $this->keep($account, $batch, $outcome);
        if ($outcome->new >= self::MANY) {
            $this->statistics->refresh();
        }
        null === $progress ?: $progress($outcome);

        return $outcome;
    }

    private function read(Account $account, FoundMessage $found, Place $into, ImportOutcome $outcome, bool $advised): ?Incoming
    {
        if (null === $found->raw) {
            $outcome->refuse($found->file, $found->position, $found->problem);

            return null;
        }

        return $this->guarded(
            $found,
            $outcome,
            fn (): Incoming => $this->arrive->read($account->recipient(), $found->raw, $into, advised: $advised),
        );
    }

    /** @param list<array{FoundMessage, Incoming}> $batch in the order of the file */
    private function keep(Account $account, array $batch, ImportOutcome $outcome): void
    {
        if ([] === $batch) {
            return;
        }
        try {
            $new = $this->transaction->run(function () use ($account, $batch): int {
                $new = 0;
                foreach ($batch as [, $letter]) {
                    $new += $this->take($account, $letter);
                }

                return $new;
            });
            $outcome->new += $new;
            $outcome->known += \count($batch) - $new;
        } catch (DatabaseProblem $problem) {
            throw $problem;
        } catch (\Throwable) {
            // One of them is at fault. Each by itself, the others come in.
            foreach ($batch as [$found, $letter]) {
                $new = $this->guarded(
                    $found,
                    $outcome,
                    fn (): int => $this->transaction->run(fn (): int => $this->take($account, $letter)),
                );
                $outcome->new += $new ?? 0;
                $outcome->known += 0 === $new ? 1 : 0;
            }
        }
        $outcome->position = end($batch)[0]->position;
    }

    /** @return int 1 when it is new */
    private function take(Account $account, Incoming $letter): int
    {
        $message = $this->arrive->keep($account->recipient(), $letter);
        $this->orm->flush();
        // What the object mapper remembers is looked through with each flush.
        $this->orm->clear();

        return null === $message ? 0 : 1;
    }

    /**
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T|null null when it was refused
     */
    private function guarded(FoundMessage $found, ImportOutcome $outcome, callable $work): mixed
    {
        try {
            return $work();
        } catch (UnreadableMessage $problem) {
            $outcome->refuse($found->file, $found->position, $problem->getMessage());
        } catch (DatabaseProblem $problem) {
            throw $problem;
        } catch (\Throwable $problem) {
            // A fault of ours must not keep the rest of somebody's mail out.
            $this->logger->error(
                'A message could not be read.',
                ['exception' => $problem, 'file' => $found->file, 'position' => $found->position],
            );
            $outcome->refuse($found->file, $found->position, 'This program could not read it: '.$problem->getMessage());
        }

        return null;
    }
}
