<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\Expect;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\PutOff;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Overtaken;

/**
 * Sends a draft, now or later, and decides about the conversation that it belongs to, in one step. Until it goes out,
 * that step can be undone.
 */
final readonly class SendMail
{
    public function __construct(
        private Outgoings $outgoings,
        private Expect $expect,
        private Conversations $conversations,
        private Tasks $tasks,
        private Entries $entries,
        private Journal $journal,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param EntryId         $entryId    made by the client; the same id again changes nothing
     * @param Moment          $at         when it goes out
     * @param bool            $later      whether the person chose that moment
     * @param Decision|null   $then       what becomes of the conversation
     * @param Claim|null      $claim      the conversation as the person saw it
     * @param Expected|null   $expected   of everybody in To
     * @param ClearingId|null $clearingId the clearing in which it is sent
     *
     * @throws NotFound
     * @throws Refused   when it cannot be sent as it is; then nothing is done
     * @throws Overtaken when something happened to the conversation since; then nothing is done
     */
    public function __invoke(
        AccountId $accountId,
        EntryId $entryId,
        OutgoingId $outgoingId,
        Moment $at,
        bool $later,
        ?Decision $then = null,
        ?Claim $claim = null,
        ?Expected $expected = null,
        ?ClearingId $clearingId = null,
    ): Entry {
        return $this->journal->write($accountId, $entryId, $later ? EntryKind::SendLater : EntryKind::Send, function (Step $step) use (
            $accountId,
            $outgoingId,
            $at,
            $later,
            $then,
            $claim,
            $expected,
        ): void {
            $now = \DateTimeImmutable::createFromInterface($this->clock->now());
            $outgoing = $this->outgoings->get($accountId, $outgoingId);
            $conversation = null === $claim ? null : $this->conversations->get($accountId, $claim->conversationId);
            $meanwhile = null === $claim || null === $conversation ? null : $claim->overtaken($conversation, $this->entries);
            if (null !== $meanwhile) {
                throw $meanwhile;
            }
            if ($later) {
                $at->mustBeAhead($now, 'at');
            }
            $step->touch($outgoing);
            $outgoing->queue($at, $later);
            $this->askFor($outgoing, $expected, $step, $now);
            $consequence = [\sprintf(
                '%sto %s',
                $later ? 'goes out '.$at->text().', ' : '',
                self::names($outgoing->letter()->to ?: $outgoing->letter()->recipients()),
            )];
            if (null !== $then && null !== $conversation) {
                $step->touch($conversation);
                // Who owes the answer is whom the letter is to.
                $then->apply($conversation, new Deciding($now, $step, null));
                $consequence[] = $then->consequence();
            }
            $step->say(
                '' === $outgoing->letter()->subject ? 'Message without a subject' : $outgoing->letter()->subject,
                implode('; ', $consequence),
            );
        }, clearingId: $clearingId);
    }

    private function askFor(Outgoing $outgoing, ?Expected $expected, Step $step, \DateTimeImmutable $now): void
    {
        if (null === $expected) {
            return;
        }
        $expected->until->mustBeAhead($now, 'until');
        if (!$expected->until->isAfter($outgoing->goesAt()->instant ?? $now)) {
            throw new Refused('The answer would be expected before the message goes out.', 'until');
        }
        foreach ($outgoing->letter()->to as $person) {
            $this->expect->of(
                $outgoing->accountId,
                $person,
                $expected->what,
                $expected->until,
                $outgoing->conversationId,
                $expected->taskId,
                $outgoing->id,
                $step,
                $now,
            );
        }
        if (null !== $expected->taskId) {
            $task = $this->tasks->get($outgoing->accountId, $expected->taskId);
            $step->touch($task);
            $until = $expected->until;
            [$start, $due] = (new PutOff(Due::at($until->date(), $until->time(), $until->zone)))->of($task, new Moment($now, $until->zone));
            $task->schedule($start, $due, $until->zone);
        }
    }

    /** @param list<Address> $people */
    public static function names(array $people): string
    {
        $names = array_map(static fn (Address $address): string => $address->label(), \array_slice($people, 0, 3));
        $more = \count($people) - \count($names);

        return implode(', ', $names).($more > 0 ? \sprintf(' and %d more', $more) : '');
    }
}
