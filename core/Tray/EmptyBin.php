<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Tray\Decision\Delete;

/**
 * Removes deleted mail for good: all of it on demand, or what has been in the bin for its 30 days.
 */
final readonly class EmptyBin
{
    public function __construct(private Conversations $conversations, private Journal $journal, private ClockInterface $clock)
    {
    }

    public function __invoke(AccountId $accountId, EntryId $entryId): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EmptyBin, function (Step $step) use ($accountId): void {
            $this->erase($this->conversations->binned($accountId), $step);
        });
    }

    /** Removes what has been in the bin for its time. Without any, nothing is written into the journal. */
    public function expired(AccountId $accountId, EntryId $entryId): ?Entry
    {
        $since = \DateTimeImmutable::createFromInterface($this->clock->now())->modify(\sprintf('-%d days', Delete::BIN_DAYS));
        if ([] === $this->conversations->binned($accountId, $since)) {
            return null;
        }

        return $this->journal->write($accountId, $entryId, EntryKind::EmptyBin, function (Step $step) use ($accountId, $since): void {
            $this->erase($this->conversations->binned($accountId, $since), $step);
        });
    }

    /** @param list<Conversation> $conversations */
    private function erase(array $conversations, Step $step): void
    {
        foreach ($conversations as $conversation) {
            $step->say($conversation->subject(), 'gone for good');
            $step->removed($conversation);
            $this->conversations->erase($conversation);
        }
    }
}
