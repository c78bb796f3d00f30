<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;

/**
 * A conversation was looked at and left undecided. It stays where it is, and the touch is counted.
 */
final readonly class PassOver
{
    public function __construct(private Conversations $conversations, private Transaction $transaction, private ClockInterface $clock)
    {
    }

    /**
     * @param string $occasion the clearing, or an id made by the client; the same one counts once
     *
     * @throws NotFound
     */
    public function __invoke(AccountId $accountId, ConversationId $conversationId, string $occasion): void
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $this->transaction->run(function () use ($accountId, $conversationId, $occasion, $now): void {
            $conversation = $this->conversations->get($accountId, $conversationId);
            if (Place::Tray === $conversation->placeAt($now)) {
                $this->conversations->touched($conversation, $occasion, $now);
            }
        });
    }
}
