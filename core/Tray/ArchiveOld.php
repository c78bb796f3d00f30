<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;

/**
 * Archives what nobody decided for so long that the person wants it gone: one entry of the journal, undone as one.
 */
final readonly class ArchiveOld
{
    public function __construct(private Conversations $conversations, private Journal $journal, private ClockInterface $clock)
    {
    }

    /**
     * What is not in the tray any more, has come back to it, or to which something happened since it was looked at is left as it is.
     *
     * @param list<Claim> $claims what may go, see OldMail and RestCheck
     *
     * @return int how many went
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, array $claims): int
    {
        if ([] === $claims) {
            return 0;
        }
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $gone = 0;
        $this->journal->write($accountId, $entryId, EntryKind::OldMail, function (Step $step) use (
            $accountId,
            $claims,
            $now,
            &$gone,
        ): void {
            foreach ($claims as $claim) {
                $conversation = $this->conversations->get($accountId, $claim->conversationId);
                if (
                    Place::Tray !== $conversation->placeAt($now) || $conversation->hasReturned($now)
                    || ($claim->revision ?? $conversation->revision()) !== $conversation->revision()
                ) {
                    continue;
                }
                $step->touch($conversation);
                $conversation->archive($now);
                $step->say('' === $conversation->subject() ? 'No subject' : $conversation->subject());
                ++$gone;
            }
            $step->say('', 'nobody had decided it, and it is old');
        });

        return $gone;
    }
}
