<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use ZippyTray\Core\Ids;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Digest;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Task\DateGroup;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Read\Post\OwedRows;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRow;
use ZippyTray\Server\Read\Tray\ConversationRows;

/**
 * Writes to everybody who wants it what their working day brings. A day has one such message, known by its Message-ID,
 * however often this is done; a morning that was missed is not made up for in the afternoon.
 *
 * @phpstan-import-type DigestLine from Digest
 */
final readonly class MorningDigest implements Chore
{
    /** Hours after the morning mark in which it is still of use. */
    private const HOURS = 3;

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
            if ($account->profile->postSettings()->digest && 'none' !== $account->mailWays()->out && $this->isMorning($account, $now)) {
                $this->write($account, $now);
            }
        }
    }

    private function isMorning(Account $account, \DateTimeImmutable $now): bool
    {
        $here = new Moment($now, $account->timeZone());
        $settings = $account->profile->timeSettings();
        $morning = Moment::at($here->date(), $settings->at(DayMark::Morning), $here->zone)->instant;

        return $settings->week->isWorkingDay($here->date())
            && $now >= $morning
            && $now < $morning->modify(\sprintf('+%d hours', self::HOURS));
    }

    private function write(Account $account, \DateTimeImmutable $now): void
    {
        $here = new Moment($now, $account->timeZone());
        $header = \sprintf('digest.%s.%s@%s', $here->date(), $account->id, substr((string) strrchr($account->email, '@'), 1));
        $digest = $this->digest($account, $here);
        if ($digest->isEmpty() || null !== $this->outgoings->withHeader($account->id, $header)) {
            return;
        }
        $outgoing = new Outgoing(
            $this->ids->next(),
            $account->id,
            $header,
            AnswerKind::New,
            null,
            null,
            new Letter(
                [new Address($account->email, $account->profile->name())],
                subject: $digest->subject($here->date()),
                text: $digest->text(),
            ),
            $now,
        );
        $outgoing->queue($here, false);
        $this->outgoings->add($outgoing);
    }

    private function digest(Account $account, Moment $here): Digest
    {
        $due = array_filter(
            $this->tasks->near($account, $here->date(), true),
            static fn (TaskRow $task): bool => null !== $task->due && !$task->waiting && \in_array(
                $task->group,
                [DateGroup::Over, DateGroup::Today],
                true,
            ),
        );
        $back = array_map(
            static fn (ConversationRow $row): array => [
                'text' => TimeOfDay::of(new \DateTimeImmutable($row->awayUntil ?? 'now'), $here->zone).' '.$row->subject,
                'path' => '/c/'.$row->id,
            ],
            array_values(array_filter(
                $this->conversations->returning($account, $here->date()),
                static fn (ConversationRow $row): bool => !\in_array(
                    $row->awayReason,
                    [AwayReason::NextClearing, AwayReason::HandOver],
                    true,
                ),
            )),
        );

        return new Digest(
            array_values(array_map(
                static fn (TaskRow $task): array => ['text' => $task->title.($task->over ? ' (over)' : ''), 'path' => '/tasks/'.$task->id],
                $due,
            )),
            $back,
            $this->owedToday($account, $here),
            $account->address(),
        );
    }

    /** @return list<DigestLine> */
    private function owedToday(Account $account, Moment $here): array
    {
        $lines = [];
        foreach ($this->owed->of($account) as $one) {
            $until = new Moment(new \DateTimeImmutable($one->until), $here->zone);
            if (OwedState::Open === $one->state && !$here->date()->isBefore($until->date())) {
                $who = '' === $one->person['name'] ? $one->person['email'] : $one->person['name'];
                $lines[] = ['text' => implode(': ', array_filter([$who, $one->what])), 'path' => '/owed'];
            }
        }

        return $lines;
    }
}
