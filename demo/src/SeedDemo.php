<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Task\ChangeTask;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Decide;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Core\Tray\ReceiveMessage;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Clock\ProgramClock;

/**
 * Fills an empty database with the demo: the letters come in the way a user's mail does, and what
 * was done with them is done again, each step at its own moment.
 *
 * @phpstan-import-type Step from Scenario
 */
final readonly class SeedDemo
{
    public function __construct(
        private Letters $letters,
        private Scenario $scenario,
        private Accounts $accounts,
        private ReceiveMessage $receive,
        private Decide $decide,
        private MakeTasks $makeTasks,
        private ChangeTask $changeTask,
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
        $dates = new RelativeDate($now, $account->timeZone());
        foreach ($this->letters->of('archive', $dates) as $letter) {
            ($this->receive)($account->id, $email, $letter);
        }
        foreach ($this->steps($account, $dates) as [$at, $step]) {
            $this->clock->at($at, $step);
        }
        $this->connection->executeStatement('UPDATE conversation SET unread = 0 WHERE account_id = ?', [$account->id]);
        foreach ($this->letters->of('tray', $dates) as $letter) {
            ($this->receive)($account->id, $email, $letter);
        }

        return $account;
    }

    /** @return list<array{\DateTimeImmutable, \Closure(): mixed}> in order of time */
    private function steps(Account $account, RelativeDate $dates): array
    {
        $steps = [];
        $decided = [];
        foreach ($this->scenario->tasks() as $step) {
            $task = $this->ids->next();
            $steps[] = [$dates->read($step['at']), fn () => $this->task($account, $task, $step, $dates)];
            if (isset($step['done'])) {
                $steps[] = [$dates->read($step['done']), fn () => $this->changeTask->complete($account->id, $this->ids->next(), $task)];
            }
            $decided[] = $step['of'] ?? '';
        }
        foreach ($this->scenario->snoozes() as $step) {
            $until = new Moment($dates->read($step['until'] ?? ''), $account->timeZone());
            $steps[] = [$dates->read($step['at']), fn () => ($this->decide)($account->id, $this->ids->next(), new Snooze($until), [new Claim($this->conversation($account, $step))])];
            $decided[] = $step['of'] ?? '';
        }
        foreach ($this->scenario->handOvers() as $step) {
            $decision = new HandOver($step['by'] ?? '', $step['what'] ?? '', new Moment($dates->read($step['until'] ?? ''), $account->timeZone()));
            $steps[] = [$dates->read($step['at']), fn () => ($this->decide)($account->id, $this->ids->next(), $decision, [new Claim($this->conversation($account, $step))])];
            $decided[] = $step['of'] ?? '';
        }
        foreach ($this->scenario->deleted() as $step) {
            $steps[] = [$dates->read($step['at']), fn () => ($this->decide)($account->id, $this->ids->next(), new Delete(), [new Claim($this->conversation($account, $step))])];
            $decided[] = $step['of'] ?? '';
        }
        foreach ($this->undecided($account, $decided) as $day => $conversations) {
            $steps[] = [new \DateTimeImmutable($day.' 17:30', $account->timeZone()), fn () => ($this->decide)($account->id, $this->ids->next(), new Archive(), array_map(static fn (string $id): Claim => new Claim($id), $conversations))];
        }
        usort($steps, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $steps;
    }

    /** @param Step $step */
    private function task(Account $account, string $task, array $step, RelativeDate $dates): void
    {
        $due = null;
        if (isset($step['due'])) {
            $moment = $dates->read($step['due']);
            $date = LocalDate::of($moment, $account->timeZone());
            $due = str_contains($step['due'], ':') ? Due::at($date, TimeOfDay::of($moment, $account->timeZone()), $account->timeZone()) : Due::onDay($date);
        }
        $fields = new TaskFields($step['title'] ?? '', $step['notes'] ?? '', $due, $step['list'] ?? TaskList::DEFAULT);
        ($this->makeTasks)($account->id, $this->ids->next(), [new TaskOrder($task, $fields, claim: isset($step['of']) ? new Claim($this->conversation($account, $step)) : null)]);
    }

    /** @param Step $step */
    private function conversation(Account $account, array $step): string
    {
        $id = $this->connection->fetchOne('SELECT id FROM conversation WHERE account_id = ? AND subject = ?', [$account->id, $step['of'] ?? '']);

        return \is_string($id) ? $id : throw new \UnexpectedValueException('No letter: '.($step['of'] ?? ''));
    }

    /**
     * @param list<string> $decided subjects
     *
     * @return array<string, list<string>> ids of conversations by the day after they came
     */
    private function undecided(Account $account, array $decided): array
    {
        $days = [];
        $rows = $this->connection->fetchAllAssociative('SELECT id, subject, latest_at FROM conversation WHERE account_id = ? AND place = ? ORDER BY latest_at', [$account->id, Place::Tray->value]);
        foreach ($rows as ['id' => $id, 'subject' => $subject, 'latest_at' => $latestAt]) {
            if (\is_string($id) && \is_string($latestAt) && !\in_array($subject, $decided, true)) {
                $days[(new \DateTimeImmutable($latestAt))->modify('+1 day')->format('Y-m-d')][] = $id;
            }
        }

        return $days;
    }
}
