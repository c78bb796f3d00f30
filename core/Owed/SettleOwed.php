<?php

declare(strict_types=1);

namespace ZippyTray\Core\Owed;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Overtaken;
use ZippyTray\Core\Tray\Place;

/**
 * What a person knows of an answer that is owed: it came another way, it is not expected any more, or it has more time.
 */
final readonly class SettleOwed
{
    public function __construct(
        private Owing $owing,
        private Conversations $conversations,
        private Entries $entries,
        private Journal $journal,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param OwedState $as Answered or Dropped
     *
     * @throws NotFound
     * @throws Refused  when it is not open any more
     */
    public function settle(AccountId $accountId, EntryId $entryId, string $id, OwedState $as): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::SettleOwed, function (Step $step) use ($accountId, $id, $as): void {
            $owed = $this->open($accountId, $id);
            $step->touch($owed);
            $owed->settle($as, \DateTimeImmutable::createFromInterface($this->clock->now()));
            $step->say(self::name($owed), OwedState::Answered === $as ? 'has answered' : 'not expected any more');
        });
    }

    /**
     * The conversation that waits for it comes back then, too.
     *
     * @throws NotFound
     * @throws Refused  when that moment is past, or it is not open any more
     */
    public function move(AccountId $accountId, EntryId $entryId, string $id, Moment $until): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::MoveOwed, function (Step $step) use ($accountId, $id, $until): void {
            $this->expect($accountId, $id, $until, $step);
        });
    }

    /**
     * The same within a step.
     *
     * @param int $things to how many it was done, by this; none where the step is about something else
     *
     * @throws NotFound
     * @throws Refused
     */
    public function expect(AccountId $accountId, string $id, Moment $until, Step $step, int $things = 1): void
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $owed = $this->open($accountId, $id);
        $until->mustBeAhead($now, 'until');
        $step->touch($owed);
        $owed->moveTo($until);
        $conversation = null === $owed->conversationId() ? null : $this->conversations->get($accountId, $owed->conversationId());
        if (null !== $conversation && Place::Away === $conversation->placeAt($now)) {
            $step->touch($conversation);
            $conversation->moveReturn($until, $now);
        }
        $step->say(self::name($owed), 'has until '.$until->text(), $things);
    }

    /**
     * It is owed after all: what came was no answer yet, or was settled by mistake. The conversation, where one is named,
     * waits for it again.
     *
     * @param Claim|null $claim the conversation as the person saw it
     *
     * @throws NotFound
     * @throws Refused   when it is open, or that moment is past
     * @throws Overtaken when something happened to the conversation since
     */
    public function takeUp(
        AccountId $accountId,
        EntryId $entryId,
        string $id,
        Moment $until,
        ?Claim $claim = null,
        ?ClearingId $clearingId = null,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::TakeUpOwed, function (Step $step) use (
            $accountId,
            $id,
            $until,
            $claim,
        ): void {
            $now = \DateTimeImmutable::createFromInterface($this->clock->now());
            $owed = $this->owing->get($accountId, $id);
            if ($owed->isOpen()) {
                throw new Refused('It is owed already.');
            }
            $until->mustBeAhead($now, 'until');
            $conversation = null === $claim ? null : $this->conversations->get($accountId, $claim->conversationId);
            $meanwhile = null === $claim || null === $conversation ? null : $claim->overtaken($conversation, $this->entries);
            if (null !== $meanwhile) {
                throw $meanwhile;
            }
            $step->touch($owed);
            $owed->takeUp($until);
            if (null !== $conversation) {
                $step->touch($conversation);
                $conversation->handOver($owed->person()->label(), $owed->what(), $until, $now);
            }
            $step->say(self::name($owed), 'still owed, until '.$until->text());
        }, clearingId: $clearingId);
    }

    private function open(AccountId $accountId, string $id): Owed
    {
        $owed = $this->owing->get($accountId, $id);

        return $owed->isOpen() ? $owed : throw new Refused('It is not owed any more.');
    }

    private static function name(Owed $owed): string
    {
        return $owed->person()->label().('' === $owed->what() ? '' : ': '.$owed->what());
    }
}
