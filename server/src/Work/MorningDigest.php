<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use ZippyTray\Core\Ids;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Digest;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Task\DateGroup;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Read\Post\OwedRows;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRows;

/**
 * Writes to everybody who wants it what their working day brings. A day has one such message, known by its Message-ID,
 * however often this is done; a morning that was missed is not made up for in the afternoon.
 */
final readonly class MorningDigest implements Chore
{
    public function __construct(
        private Accounts $accounts,
        private Outgoings $outgoings,
        private TaskRows $tasks,
        private ConversationRows $conversations,
        private OwedRows $owed,
        private Ids $ids,
    ) {
    }

    public function name(): string
    {
        return 'morning-digest';
    }

    public function every(): int
    {
        return 300;
    }

    public function do(\DateTimeImmutable $now): void
    {
        foreach ($this->accounts->all() as $account) {
            $here = new Moment($now, $account->timeZone());
            if ($account->profile->postSettings()->digest
                && $account->canSend()
                && Digest::isTime($here, $account->profile->timeSettings())) {
                $this->write($account, $here);
            }
        }
    }

    private function write(Account $account, Moment $here): void
    {
        $header = Digest::header($here->date(), $account->id, $account->email);
        if (null !== $this->outgoings->withHeader($account->id, $header)) {
            return;
        }
        $digest = $this->digest($account, $here);
        if ($digest->isEmpty()) {
            return;
        }
        $me = new Address($account->email, $account->profile->name());
        $outgoing = new Outgoing(
            new OutgoingId($this->ids->next()),
            $account->id,
            $header,
            AnswerKind::New,
            null,
            null,
            $digest->letter($me, $here->date()),
            $here->instant,
        );
        $outgoing->queue($here, false);
        $this->outgoings->add($outgoing);
    }

    private function digest(Account $account, Moment $here): Digest
    {
        $digest = new Digest($account->programAddress());
        foreach ($this->tasks->near($account, $here->date(), true) as $task) {
            if (null !== $task->due && !$task->waiting && \in_array($task->group, [DateGroup::Over, DateGroup::Today], true)) {
                $digest->due($task->title, $task->over, new TaskId($task->id));
            }
        }
        foreach ($this->conversations->returning($account, $here->date()) as $row) {
            if (!\in_array($row->awayReason, [AwayReason::NextClearing, AwayReason::HandOver], true)) {
                $digest->back(TimeOfDay::of(new \DateTimeImmutable($row->awayUntil ?? 'now'), $here->zone), $row->subject, $row->id);
            }
        }
        foreach ($this->owed->of($account) as $one) {
            $until = new Moment(new \DateTimeImmutable($one->until), $here->zone);
            if (OwedState::Open === $one->state && !$here->date()->isBefore($until->date())) {
                $digest->owed(new Address($one->person['email'], $one->person['name']), $one->what);
            }
        }

        return $digest;
    }
}
