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
     * @param bool                                 $again   whether what the person has removed for good may come in once more
     * @param (callable(Message|null): mixed)|null $with    done in the same transaction
     * @param bool                                 $advised whether it is read for advice now; otherwise the worker does it
     *
     * @return Message|null null when it is known already, or removed for good
     *
     * @throws UnreadableMessage when the bytes are no message; then nothing is stored
     */
    public function __invoke(Account $account, string $raw, Place $into = Place::Tray, bool $again = true, ?callable $with = null, bool $advised = true): ?Message
    {
        $content = $this->receive->read($raw);
        $isKnown = $this->messages->isKnown($account->id, $content->fingerprint) || (!$again && $this->isErased($account, $content->fingerprint));
        $isDecided = !$isKnown && Place::Tray === $into && !$content->from->is($account->email);
        $findings = $isDecided && $advised ? $this->findings->read($account, Letter::of($content), $content->header) : null;

        return $this->transaction->run(function () use ($account, $raw, $into, $with, $content, $isKnown, $isDecided, $advised, $findings): ?Message {
            $message = $isKnown ? null : ($this->receive)($account->id, $account->email, $raw, $into, $account->traySettings()->mailEndsSnooze, $content);
            if (null !== $message && $isDecided) {
                $advised ? $this->findings->keep($account, $message->id, $findings) : $this->findings->want($account, [$message->id]);
            }
            null === $with ?: $with($message);

            return $message;
        });
    }

    private function isErased(Account $account, string $fingerprint): bool
    {
        return false !== $this->connection->fetchOne('SELECT 1 FROM erased_message WHERE account_id = ? AND fingerprint = ?', [$account->id, $fingerprint]);
    }
}
