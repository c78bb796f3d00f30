<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\ConversationId;

/**
 * Archives what nobody decided for so long that the person wants it gone: one entry of the journal, undone as one.
 */
final readonly class ArchiveOld
{
    public function __construct(private Conversations $conversations, private Journal $journal, private ClockInterface $clock)
    {
    }

    /**
     * What is not in the tray any more, or has come back to it, is left as it is.
     *
     * @param list<ConversationId> $conversationIds that may go, see OldMail and RestCheck
     *
     * @return int how many went
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, array $conversationIds): int
    {
        if ([] === $conversationIds) {
            return 0;
        }
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $gone = 0;
        $this->journal->write($accountId, $entryId, EntryKind::OldMail, function (Step $step) use (
            $accountId,
            $conversationIds,
            $now,
            &$gone,
        ): void {
            foreach ($conversationIds as $id) {
                $conversation = $this->conversations->get($accountId, $id);
                if (Place::Tray !== $conversation->placeAt($now) || $conversation->hasReturned($now)) {
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
