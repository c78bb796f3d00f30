<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;

/**
 * Blocks the senders of conversations: these, all others of theirs that wait in the tray, and
 * whatever comes from them from now on go to Blocked.
 */
final readonly class BlockSender
{
    public function __construct(
        private Conversations $conversations,
        private BlockedSenders $senders,
        private Entries $entries,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * @param EntryId         $entryId    made by the client; the same id again changes nothing
     * @param list<Claim>     $claims
     * @param Person          $person     whose mail it is; they cannot be blocked
     * @param ClearingId|null $clearingId the clearing in which it was decided
     *
     * @throws NotFound  when one of them is not there; then nothing is decided
     * @throws Refused   when one of them has no sender that could be blocked; then nothing is decided
     * @throws Overtaken when nothing is left to decide
     */
    public function __invoke(
        AccountId $accountId,
        EntryId $entryId,
        array $claims,
        bool $wholeDomain,
        Person $person,
        ?ClearingId $clearingId = null,
    ): Decided {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $overtaken = [];
        $entry = $this->journal->write($accountId, $entryId, EntryKind::Block, function (Step $step) use (
            $accountId,
            $claims,
            $wholeDomain,
            $person,
            $now,
            &$overtaken,
        ): void {
            $patterns = [];
            foreach ($claims as $claim) {
                $conversation = $this->conversations->get($accountId, $claim->conversationId);
                $meanwhile = $claim->overtaken($conversation, $this->entries);
                if (null !== $meanwhile) {
                    $overtaken[] = $meanwhile;
                    continue;
                }
                $patterns[$this->one($conversation, $wholeDomain, $person, $now, $step)] = true;
                $step->say($conversation->subject());
            }
            if ([] === $patterns && [] !== $overtaken) {
                throw $overtaken[0];
            }
            foreach (array_keys($patterns) as $pattern) {
                $this->others($accountId, $pattern, $now, $step);
            }
            $step->say('', \sprintf('mail from %s goes to Blocked', implode(', ', array_keys($patterns))));
        }, clearingId: $clearingId);

        return new Decided($entry, $overtaken);
    }

    /**
     * The sender of one conversation, within another step, with all of theirs that waits in the tray.
     *
     * @return string what is blocked, see BlockedSender
     *
     * @throws Refused when it has no sender that could be blocked
     */
    public function of(Conversation $conversation, Person $person, Step $step): string
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $pattern = $this->one($conversation, false, $person, $now, $step);
        $this->others($conversation->accountId, $pattern, $now, $step);

        return $pattern;
    }

    /** @throws Refused */
    private function one(Conversation $conversation, bool $wholeDomain, Person $person, \DateTimeImmutable $now, Step $step): string
    {
        $pattern = $this->pattern($conversation, $wholeDomain, $person);
        $this->block($conversation->accountId, $pattern, $now, $step);
        $step->touch($conversation);
        $conversation->block($now);

        return $pattern;
    }

    private function others(AccountId $accountId, string $pattern, \DateTimeImmutable $now, Step $step): void
    {
        foreach ($this->conversations->waitingFrom($accountId, $pattern, $now) as $conversation) {
            $step->touch($conversation);
            $conversation->block($now);
        }
    }

    /**
     * Lets a sender's mail into the tray again.
     *
     * @param bool $bringBack whether what lies in Blocked from this sender comes into the tray
     *
     * @throws NotFound
     */
    public function unblock(AccountId $accountId, EntryId $entryId, string $senderId, bool $bringBack): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::Unblock, function (Step $step) use (
            $accountId,
            $senderId,
            $bringBack,
        ): void {
            $sender = $this->senders->get($accountId, $senderId);
            $step->removed($sender);
            $this->senders->remove($sender);
            foreach ($bringBack ? $this->conversations->blockedFrom($accountId, $sender->pattern) : [] as $conversation) {
                $step->touch($conversation);
                $conversation->bringBack();
            }
            $step->say(ltrim($sender->pattern, '@'), $bringBack ? 'its mail is back in the tray' : 'its mail comes into the tray again');
        });
    }

    private function block(AccountId $accountId, string $pattern, \DateTimeImmutable $now, Step $step): void
    {
        if (null === $this->senders->find($accountId, $pattern)) {
            $sender = new BlockedSender($this->ids->next(), $accountId, $pattern, $now);
            $this->senders->add($sender);
            $step->made($sender);
        }
    }

    private function pattern(Conversation $conversation, bool $wholeDomain, Person $person): string
    {
        $email = $conversation->senderEmail();
        $pattern = BlockedSender::pattern($email, $wholeDomain);
        if (!str_contains($email, '@') || \strlen($pattern) < 3) {
            throw new Refused(\sprintf('"%s" has no address that could be blocked. Delete it instead.', $conversation->subject()));
        }
        if (\in_array($pattern, array_merge(...array_map(BlockedSender::patternsFor(...), $person->addresses())), true)) {
            throw new Refused(
                $wholeDomain
                    ? \sprintf('%s is your own domain and cannot be blocked.', ltrim($pattern, '@'))
                    : 'You cannot block yourself.',
            );
        }

        return $pattern;
    }
}
