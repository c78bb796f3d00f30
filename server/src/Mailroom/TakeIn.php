<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\UnreadableMessage;
use ZippyTray\Core\Tray\Advice\Letter;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Core\Tray\ReceiveMessage;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\FindingsStore;

/**
 * A message comes in. It is read and advised first, which takes the time that it takes; then it is kept, in one
 * transaction, for which others wait.
 */
final readonly class TakeIn
{
    public function __construct(private ReceiveMessage $receive, private FindingsStore $findings, private Messages $messages, private Transaction $transaction, private Connection $connection)
    {
    }

    /**
     * @param bool                                 $again whether what the person has removed for good may come in once more
     * @param (callable(Message|null): mixed)|null $with  done in the same transaction
     *
     * @return Message|null null when it is known already, or removed for good
     *
     * @throws UnreadableMessage when the bytes are no message; then nothing is stored
     */
    public function __invoke(Account $account, string $raw, Place $into = Place::Tray, bool $again = true, ?callable $with = null): ?Message
    {
        $letter = $this->read($account, $raw, $into, $again);

        return $this->transaction->run(function () use ($account, $letter, $with): ?Message {
            $message = $this->keep($account, $letter);
            null === $with ?: $with($message);

            return $message;
        });
    }

    /**
     * The first half, which takes its time.
     *
     * @param bool $again   as above
     * @param bool $advised whether it is read for advice now; otherwise the worker does it
     *
     * @throws UnreadableMessage when the bytes are no message
     */
    public function read(Account $account, string $raw, Place $into = Place::Tray, bool $again = true, bool $advised = true): Incoming
    {
        $content = $this->receive->read($raw);
        $isKnown = $this->messages->isKnown($account->id, $content->fingerprint) || (!$again && $this->isErased($account, $content->fingerprint));
        $isDecided = !$isKnown && Place::Tray === $into && !$content->from->is($account->email);

        return new Incoming($raw, $content, $into, $isKnown, $isDecided, $advised, $isDecided && $advised ? $this->findings->read($account, Letter::of($content), $content->header) : null);
    }

    /**
     * The second half, within a transaction.
     *
     * @return Message|null null when it is known already, or removed for good
     */
    public function keep(Account $account, Incoming $letter): ?Message
    {
        $message = $letter->isKnown ? null : $this->receive->take($account->id, $account->email, $letter->raw, $letter->content, $letter->into, $account->traySettings()->mailEndsSnooze);
        if (null !== $message && $letter->isDecided) {
            $letter->isAdvised ? $this->findings->keep($account, $message->id, $letter->findings) : $this->findings->want($account, [$message->id]);
        }

        return $message;
    }

    private function isErased(Account $account, string $fingerprint): bool
    {
        return false !== $this->connection->fetchOne('SELECT 1 FROM erased_message WHERE account_id = ? AND fingerprint = ?', [$account->id, $fingerprint]);
    }
}
