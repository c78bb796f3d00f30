<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Agenda\Clock\KeepTime;
use ZippyTray\Core\Agenda\Clock\StretchId;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\KeepEvents;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Agenda\LaySlots;
use ZippyTray\Core\Agenda\NewSlot;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Arrival\Arrive;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Label\KeepLabels;
use ZippyTray\Core\Lists\ChangeLists;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Order\Condition;
use ZippyTray\Core\Order\KeepOrders;
use ZippyTray\Core\Order\OrderId;
use ZippyTray\Core\Post\KeepTemplates;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Core\Post\Templates;
use ZippyTray\Core\Remind\RemindOf;
use ZippyTray\Core\Remind\Rings;
use ZippyTray\Core\Stamp\KeepStamps;
use ZippyTray\Core\Stamp\StampHand;
use ZippyTray\Core\Stamp\StampId;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Task\CompleteTasks;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Task\ReadOutline;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Decide;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Core\Tray\PutLabels;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Work\CarryOutOrders;
use ZippyTray\Server\Work\ObeyMailIn;

/**
 * Fills an empty database with the demo: the letters come in the way a user's mail does, and what
 * was done with them is done again, each step at its own moment.
 *
 * @phpstan-import-type Step from Scenario
 * @phpstan-import-type StepState from StampStep
 */
final readonly class SeedDemo
{
    public function __construct(
        private KeepEvents $keepEvents,
        private LaySlots $laySlots,
        private KeepTime $keepTime,
        private Letters $letters,
        private Scenario $scenario,
        private Accounts $accounts,
        private Arrive $arrive,
        private Decide $decide,
        private MakeTasks $makeTasks,
        private CompleteTasks $completeTasks,
        private ChangeLists $changeLists,
        private RemindOf $remind,
        private KeepTemplates $templates,
        private Templates $templateStore,
        private KeepStamps $keepStamps,
        private KeepOrders $keepOrders,
        private CarryOutOrders $carryOut,
        private ObeyMailIn $mailIn,
        private KeepLabels $keepLabels,
        private PutLabels $putLabels,
        private SeedCalendars $calendars,
        private SeedSubjects $subjects,
        private Rings $rings,
        private ProgramClock $clock,
        private Connection $connection,
        private Ids $ids,
    ) {
    }

    public function __invoke(): Account
    {
        $now = $this->clock->now();
        ['email' => $email, 'name' => $name, 'zone' => $zone, 'password' => $password] = $this->scenario->account();
        $account = $this->accounts->open($email, $name, $zone, $password);
        $account->connect(MailWays::postRoom());
        $account->profile->choosePost(new PostSettings(signature: $this->scenario->signature()));
        $dates = new RelativeDate($now, $account->timeZone());
        foreach ($this->letters->of('archive', $dates) as $letter) {
            ($this->arrive)($account->recipient(), $letter);
        }
        foreach ($this->scenario->templates() as ['name' => $template, 'subject' => $subject, 'text' => $text, 'signed' => $signed]) {
            $this->templates->add($account->id, new EntryId($this->ids->next()), $this->ids->next(), $template, $subject, $text, $signed);
        }
        foreach ($this->scenario->labels() as $name => $label) {
            $this->keepLabels->add(
                $account->id,
                new EntryId($this->ids->next()),
                $name,
                Colour::from($label['colour']),
                $label['untilDealt'] ?? false,
            );
        }
        $this->stamps($account);
        foreach ($this->scenario->lists() as $name => $colour) {
            $this->changeLists->add(
                $account->id,
                new EntryId($this->ids->next()),
                new ListId($this->ids->next()),
                $name,
                Colour::from($colour),
            );
        }
        $this->connection->executeStatement(
            'UPDATE conversation SET unread = 0 WHERE account_id = ? AND latest_email NOT IN (SELECT value FROM json_each(?))',
            [$account->id, json_encode($this->scenario->notLookedAt(), \JSON_THROW_ON_ERROR)],
        );
        foreach ($this->steps($account, $dates) as [$at, $step]) {
            $this->clock->at($at, $step);
        }
        $this->connection->executeStatement('UPDATE conversation SET unread = 0 WHERE account_id = ?', [$account->id]);
        // What reminded before the demo begins has been seen.
        $this->rings->noteLook($account->id, $now);
        $this->orders($account);
        foreach ($this->letters->of('tray', $dates) as $letter) {
            ($this->arrive)($account->recipient(), $letter);
        }
        ($this->carryOut)(static fn (): bool => false);
        foreach ($this->letters->of('mail-in', $dates) as $letter) {
            ($this->arrive)($account->recipient($now), $letter);
        }
        ($this->mailIn)(static fn (): bool => false);
        ($this->calendars)($account, $dates, $now);
        $this->subjects->now($account);
        foreach ($this->scenario->labels() as $name => ['on' => $subjects]) {
            ($this->putLabels)(
                $account->id,
                new EntryId($this->ids->next()),
                array_map(
                    fn (string $of): ConversationId => new ConversationId($this->conversation($account, ['at' => '', 'of' => $of])),
                    $subjects,
                ),
                [$name],
                [],
            );
        }

        return $account;
    }

    private function stamps(Account $account): void
    {
        foreach ($this->scenario->stamps() as ['name' => $name, 'key' => $key, 'steps' => $steps]) {
            $this->keepStamps->add(
                $account->id,
                new EntryId($this->ids->next()),
                new StampId($this->ids->next()),
                $name,
                $key,
                $this->stepsOf($account, $steps),
                $this->hand($account),
            );
        }
    }

    private function orders(Account $account): void
    {
        foreach ($this->scenario->orders() as $order) {
            $this->keepOrders->keep(
                $account->id,
                new EntryId($this->ids->next()),
                new OrderId($this->ids->next()),
                $order['name'],
                Condition::checked($order['condition']),
                $this->stepsOf($account, $order['steps']),
                $order['on'] ?? true,
                false,
                false,
                $this->hand($account),
            );
        }
    }

    /**
     * @param list<StepState> $steps an answer names its template by what that is called
     *
     * @return list<StampStep>
     */
    private function stepsOf(Account $account, array $steps): array
    {
        return array_map(fn (array $step): StampStep => StampStep::fromState(
            isset($step['template'])
                ? ['template' => $this->templateStore->named($account->id, $step['template'])->id ?? ''] + $step
                : $step,
        ), $steps);
    }

    private function hand(Account $account): StampHand
    {
        return new StampHand(
            $account->person(),
            $account->profile->speaker($this->clock->now()),
            $account->profile->postSettings(),
            true,
        );
    }

    /** @return list<array{\DateTimeImmutable, \Closure(): mixed}> in order of time */
    private function steps(Account $account, RelativeDate $dates): array
    {
        $steps = [];
        $decided = [];
        foreach ($this->scenario->tasks() as $step) {
            $task = new TaskId($this->ids->next());
            $steps[] = [$dates->read($step['at']), fn () => $this->task($account, $task, $step, $dates)];
            if (isset($step['done'])) {
                $steps[] = [
                    $dates->read($step['done']),
                    fn () => $this->completeTasks->complete(
                        $account->id,
                        new EntryId($this->ids->next()),
                        [$task],
                        true,
                        $account->timeZone(),
                    ),
                ];
            }
            $decided[] = $step['of'] ?? '';
        }
        foreach ($this->scenario->snoozes() as $step) {
            $until = new Moment($dates->read($step['until'] ?? ''), $account->timeZone());
            $steps[] = [
                $dates->read($step['at']),
                fn () => ($this->decide)(
                    $account->id,
                    new EntryId($this->ids->next()),
                    new Snooze($until, AwayReason::from($step['for'] ?? 'snooze')),
                    [new Claim(new ConversationId($this->conversation($account, $step)))],
                ),
            ];
            $decided[] = $step['of'] ?? '';
        }
        foreach ($this->scenario->handOvers() as $step) {
            $decision = new HandOver(
                $step['by'] ?? '',
                $step['what'] ?? '',
                new Moment($dates->read($step['until'] ?? ''), $account->timeZone()),
            );
            $steps[] = [
                $dates->read($step['at']),
                fn () => ($this->decide)(
                    $account->id,
                    new EntryId($this->ids->next()),
                    $decision,
                    [new Claim(new ConversationId($this->conversation($account, $step)))],
                ),
            ];
            $decided[] = $step['of'] ?? '';
        }
        foreach ($this->scenario->reminders() as $step) {
            $steps[] = [
                $dates->read($step['at']),
                fn () => ($this->remind)(
                    $account->id,
                    new EntryId($this->ids->next()),
                    new ConversationId($this->conversation($account, $step)),
                    [ReadReminder::of($step['remind'] ?? '', $account->profile->speaker($this->clock->now()))],
                ),
            ];
        }
        foreach ($this->scenario->deleted() as $step) {
            $steps[] = [
                $dates->read($step['at']),
                fn () => ($this->decide)(
                    $account->id,
                    new EntryId($this->ids->next()),
                    new Delete(),
                    [new Claim(new ConversationId($this->conversation($account, $step)))],
                ),
            ];
            $decided[] = $step['of'] ?? '';
        }
        foreach ($this->undecided($account, $decided) as $day => [$archived, $done]) {
            foreach ([['17:25', new DoNow(), $done], ['17:30', new Archive(), $archived]] as [$time, $decision, $conversations]) {
                if ([] !== $conversations) {
                    $steps[] = [
                        new \DateTimeImmutable($day.' '.$time, $account->timeZone()),
                        fn () => ($this->decide)($account->id, new EntryId($this->ids->next()), $decision, $conversations),
                    ];
                }
            }
        }
        array_push($steps, ...$this->agenda($account, $dates), ...$this->subjects->before($account, $dates));
        usort($steps, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $steps;
    }

    /** @return list<array{\DateTimeImmutable, \Closure(): mixed}> */
    private function agenda(Account $account, RelativeDate $dates): array
    {
        $steps = [];
        foreach ($this->scenario->events() as $event) {
            $begins = $this->day($event['begins'], $account, $dates);
            $fields = new EventFields(
                $event['title'],
                isset($event['days']) ? EventTime::days($begins->date, $event['days']) : EventTime::from($begins, $event['minutes'] ?? 60),
                $event['place'] ?? '',
                repeat: $event['repeat'] ?? '',
                participants: array_map(
                    static fn (array $who): Participant => new Participant(new Address($who['email'], $who['name'])),
                    $event['people'] ?? [],
                ),
            );
            $steps[] = [
                $dates->read($event['at']),
                fn () => $this->keepEvents->make($account->id, new EntryId($this->ids->next()), new EventId($this->ids->next()), $fields),
            ];
        }
        foreach ($this->scenario->slots() as $slot) {
            $steps[] = [
                $dates->read($slot['at']),
                fn () => $this->laySlots->put($account->id, new EntryId($this->ids->next()), [new NewSlot(
                    new SlotId($this->ids->next()),
                    $this->taskCalled($account, $slot['task']),
                    $this->day($slot['when'], $account, $dates),
                    $slot['minutes'],
                )]),
            ];
        }

        foreach ($this->scenario->worked() as $work) {
            $begins = $dates->read($work['at']);
            $steps[] = [
                $begins,
                fn () => $this->keepTime->start(
                    $account->id,
                    new StretchId($this->ids->next()),
                    $this->taskCalled($account, $work['task']),
                ),
            ];
            $steps[] = [$begins->modify("+{$work['minutes']} minutes"), fn () => $this->keepTime->pause($account->id)];
        }

        return $steps;
    }

    private function taskCalled(Account $account, string $title): TaskId
    {
        $id = $this->connection->fetchOne('SELECT id FROM task WHERE account_id = ? AND title = ?', [$account->id, $title]);

        return \is_string($id) ? new TaskId($id) : throw new \UnexpectedValueException(\sprintf('No task is called "%s".', $title));
    }

    /** @param Step $step */
    private function task(Account $account, TaskId $task, array $step, RelativeDate $dates): void
    {
        $read = ReadJot::of(($step['title'] ?? '').'; '.($step['line'] ?? ''), $account->profile->speaker($this->clock->now()))->fields;
        $fields = new TaskFields(
            $read->title,
            $step['notes'] ?? '',
            isset($step['due']) ? $this->day($step['due'], $account, $dates) : $read->due,
            $step['list'] ?? null,
            isset($step['start']) ? $this->day($step['start'], $account, $dates) : $read->start,
            $read->estimate,
            $read->priority,
            $read->labels,
            $read->repeat,
            $read->reminders,
            $read->sources,
        );
        $subtasks = isset($step['subtasks']) ? ReadOutline::of($step['subtasks']) : [];
        ($this->makeTasks)(
            $account->id,
            new EntryId($this->ids->next()),
            [new TaskOrder(
                $task,
                $fields,
                claim: isset($step['of']) ? new Claim(new ConversationId($this->conversation($account, $step))) : null,
                subtasks: $subtasks,
            )],
            $account->timeZone(),
        );
    }

    private function day(string $written, Account $account, RelativeDate $dates): Due
    {
        $moment = $dates->read($written);
        $date = LocalDate::of($moment, $account->timeZone());

        return str_contains($written, ':')
            ? Due::at($date, TimeOfDay::of($moment, $account->timeZone()), $account->timeZone())
            : Due::onDay($date);
    }

    /** @param Step $step */
    private function conversation(Account $account, array $step): string
    {
        $id = $this->connection->fetchOne(
            'SELECT id FROM conversation WHERE account_id = ? AND subject = ?',
            [$account->id, $step['of'] ?? ''],
        );

        return \is_string($id) ? $id : throw new \UnexpectedValueException('No letter: '.($step['of'] ?? ''));
    }

    /**
     * @param list<string> $decided subjects
     *
     * @return array<string, array{list<Claim>, list<Claim>}> by the day after they came: what is archived then, and what is done
     */
    private function undecided(Account $account, array $decided): array
    {
        $days = [];
        $rows = $this->connection->fetchAllAssociative(
            'SELECT id, subject, latest_at FROM conversation WHERE account_id = ? AND place = ? ORDER BY latest_at',
            [$account->id, Place::Tray->value],
        );
        foreach ($rows as ['id' => $id, 'subject' => $subject, 'latest_at' => $latestAt]) {
            if (\is_string($id) && \is_string($latestAt) && !\in_array($subject, $decided, true)) {
                $day = (new \DateTimeImmutable($latestAt))->modify('+1 day')->format('Y-m-d');
                $days[$day] ??= [[], []];
                $days[$day][(int) \in_array($subject, $this->scenario->doneAtOnce(), true)][] = new Claim(new ConversationId($id));
            }
        }

        return $days;
    }
}
