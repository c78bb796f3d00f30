<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Arrival\Arrive;
use ZippyTray\Core\Arrival\Incoming;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;
use ZippyTray\Core\Tray\Place;

/**
 * Takes several messages in. Each is read first, which takes its time; then they are kept in one transaction, for which others wait. One
 * that is at fault does not keep the others out.
 */
final readonly class TakeLetters
{
    /** Messages that are kept in one transaction, and bytes of them. */
    public const BATCH = 100;

    public const BATCH_BYTES = 8_000_000;

    public function __construct(
        private Arrive $arrive,
        private Messages $messages,
        private Transaction $transaction,
        private EntityManagerInterface $orm,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @param array<string, mixed> $where for the log: where it came from
     *
     * @return Incoming|string a sentence when it cannot be read
     */
    public function read(
        Recipient $to,
        string $raw,
        Place $into,
        array $where,
        bool $again = true,
        bool $advised = true,
    ): Incoming|string {
        return $this->guarded($where, fn (): Incoming => $this->arrive->read($to, $raw, $into, $again, $advised));
    }

    /**
     * Each letter stands with where it came from, and with what is done in the same transaction: that is given its id, null when it is to
     * stay away, and whether it is new.
     *
     * @param list<array{Incoming, array<string, mixed>, (callable(EmailId|null, bool): mixed)|null}> $letters
     *
     * @return list<bool|string> of each whether it was new, or why it could not be taken in
     */
    public function keep(Recipient $to, array $letters): array
    {
        if ([] === $letters) {
            return [];
        }
        try {
            return $this->transaction->run(fn (): array => array_map(
                fn (array $letter): bool => $this->one($to, $letter[0], $letter[2]),
                $letters,
            ));
        } catch (DatabaseProblem $problem) {
            throw $problem;
        } catch (\Throwable) {
            // One of them is at fault. Each by itself, the others come in.
            return array_map(fn (array $letter): bool|string => $this->guarded(
                $letter[1],
                fn (): bool => $this->transaction->run(fn (): bool => $this->one($to, $letter[0], $letter[2])),
            ), $letters);
        }
    }

    /** @param (callable(EmailId|null, bool): mixed)|null $with */
    private function one(Recipient $to, Incoming $letter, ?callable $with): bool
    {
        $message = $this->arrive->keep($to, $letter);
        $this->orm->flush();
        if (null !== $with) {
            $with($message->id ?? $this->messages->known($to->accountId, $letter->content->fingerprint), null !== $message);
        }
        // What the object mapper remembers is looked through with each flush.
        $this->orm->clear();

        return null !== $message;
    }

    /**
     * @template T
     *
     * @param array<string, mixed> $where
     * @param callable(): T        $work
     *
     * @return T|string
     */
    private function guarded(array $where, callable $work): mixed
    {
        try {
            return $work();
        } catch (UnreadableMessage $problem) {
            return $problem->getMessage();
        } catch (DatabaseProblem $problem) {
            throw $problem;
        } catch (\Throwable $problem) {
            // A fault of ours must not keep the rest of somebody's mail out.
            $this->logger->error('A message could not be read.', $where + ['exception' => $problem]);

            return 'This program could not read it: '.$problem->getMessage();
        }
    }
}
