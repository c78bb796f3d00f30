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
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;

/**
 * What has arrived and is held back comes in now, or at another hour.
 */
final readonly class LetIn
{
    public function __construct(private Conversations $conversations, private Journal $journal, private ClockInterface $clock)
    {
    }

    /**
     * @param EntryId     $entryId made by the client; the same id again changes nothing
     * @param Moment|null $at      null: now
     *
     * @throws Refused when nothing is held back
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, ?Moment $at = null): Entry
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());

        return $this->journal->write($accountId, $entryId, EntryKind::LetIn, function (Step $step) use ($accountId, $at, $now): void {
            $held = $this->conversations->held($accountId, $now);
            if ([] === $held) {
                throw new Refused('Nothing waits to come in.');
            }
            foreach ($held as $conversation) {
                $step->touch($conversation);
                $conversation->letIn($at->instant ?? $now);
                $step->say($conversation->subject(), null === $at ? 'in the tray before its hour' : 'comes in '.$at->text());
            }
        });
    }

    /**
     * The person has chosen other hours, or none, or lives elsewhere: what waits follows, if anything does.
     *
     * @param Moment|null $at null: now
     */
    public function follow(AccountId $accountId, EntryId $entryId, ?Moment $at): void
    {
        if ([] !== $this->conversations->held($accountId, \DateTimeImmutable::createFromInterface($this->clock->now()))) {
            $this($accountId, $entryId, $at);
        }
    }
}
