<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * Takes one decision for one conversation or for many, in one step.
 */
final readonly class Decide
{
    public function __construct(
        private Conversations $conversations,
        private Entries $entries,
        private Journal $journal,
        private Expectations $expectations,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Conversations to which something happened since the person saw them are left as they are.
     *
     * @param EntryId         $entryId    made by the client; the same id again changes nothing
     * @param list<Claim>     $claims
     * @param ClearingId|null $clearingId the clearing in which it was decided
     *
     * @throws NotFound  when one of them is not there; then nothing is decided
     * @throws Refused   when the decision makes no sense for one of them; then nothing is decided
     * @throws Overtaken when nothing is left to decide
     */
    public function __invoke(
        AccountId $accountId,
        EntryId $entryId,
        Decision $decision,
        array $claims,
        ?ClearingId $clearingId = null,
    ): Decided {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $overtaken = [];
        $entry = $this->journal->write($accountId, $entryId, $decision->kind(), function (Step $step) use (
            $accountId,
            $decision,
            $claims,
            $now,
            &$overtaken,
        ): void {
            $decided = 0;
            foreach ($claims as $claim) {
                $conversation = $this->conversations->get($accountId, $claim->conversationId);
                $meanwhile = $step->isTouched($conversation) ? null : $claim->overtaken($conversation, $this->entries);
                if (null !== $meanwhile) {
                    $overtaken[] = $meanwhile;
                    continue;
                }
                $step->touch($conversation);
                $decision->apply($conversation, new Deciding($now, $step, $this->expectations));
                $step->say($conversation->subject(), $decision->consequence());
                ++$decided;
            }
            if (0 === $decided && [] !== $overtaken) {
                throw $overtaken[0];
            }
        }, clearingId: $clearingId);

        return new Decided($entry, $overtaken);
    }
}
