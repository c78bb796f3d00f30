<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\NotFound;

/**
 * Begins and ends a clearing.
 */
final readonly class Clear
{
    public function __construct(
        private Clearings $clearings,
        private Conversations $conversations,
        private Journal $journal,
        private Transaction $transaction,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * What was put off until the next clearing comes back with its beginning.
     *
     * @param ClearingId      $id   made by the client; the same id again changes nothing
     * @param callable(): int $size counts the conversations in the tray
     */
    public function begin(AccountId $accountId, ClearingId $id, ClearingOrder $order, callable $size): Clearing
    {
        return $this->transaction->run(function () use ($accountId, $id, $order, $size): Clearing {
            $clearing = $this->clearings->find($accountId, $id);
            if (null === $clearing) {
                $now = \DateTimeImmutable::createFromInterface($this->clock->now());
                $this->callBack($accountId, $now);
                $clearing = new Clearing($id, $accountId, $order, $size(), $now);
                $this->clearings->add($clearing);
            }

            return $clearing;
        });
    }

    /** @throws NotFound */
    public function end(AccountId $accountId, ClearingId $id): Clearing
    {
        return $this->transaction->run(function () use ($accountId, $id): Clearing {
            $clearing = $this->clearings->get($accountId, $id);
            $clearing->end(\DateTimeImmutable::createFromInterface($this->clock->now()));

            return $clearing;
        });
    }

    private function callBack(AccountId $accountId, \DateTimeImmutable $now): void
    {
        $waiting = $this->conversations->awaitingClearing($accountId, $now, $now->modify(\sprintf('-%d seconds', NextClearing::PAUSE)));
        if ([] === $waiting) {
            return;
        }
        $this->journal->write($accountId, new EntryId($this->ids->next()), EntryKind::ComeBack, static function (Step $step) use (
            $waiting,
            $now,
        ): void {
            foreach ($waiting as $conversation) {
                $step->touch($conversation);
                $conversation->callBack(BackBecause::Clearing, $now);
                $step->say($conversation->subject(), 'back for your clearing');
            }
        });
    }
}
