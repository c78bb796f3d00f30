<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Task\Source;
use ZippyTray\Core\Task\SourceKind;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Files;
use ZippyTray\Server\Store\StoredNow;

/**
 * A task with all that belongs to it.
 */
final readonly class TaskSheets
{
    public function __construct(
        private TaskRows $rows,
        private SourceCopies $copies,
        private Files $files,
        private EntityManagerInterface $orm,
        private ClockInterface $clock,
    ) {
    }

    /** @return array<string, mixed> see Task of the contract */
    public function of(Task $task): array
    {
        $account = $this->orm->find(Account::class, $task->accountId) ?? throw new \LogicException('A task has an account.');
        $speaker = $account->speaker($this->clock->now());
        $row = $this->rows->one($account, $task->id);
        $state = $task->state();

        return [
            'row' => $row,
            'notes' => $state['notes'],
            'createdAt' => StoredNow::of($task->createdAt),
            'repeat' => null === $task->repeat() ? null : self::repeat($task->repeat(), $speaker),
            'reminders' => $this->reminders($task, $speaker),
            'sources' => array_map(fn (Source $source): array => $this->source($account, $source), $task->sources()),
            'files' => $this->files->some($task->accountId, $task->files()),
            'subtasks' => $this->rows->under($account, $task->id),
            'usedBy' => $this->rows->ofTask($task->accountId, $task->id),
        ];
    }

    /**
     * @return array{
     *     text: string, zone: ?string, fromCompletion: bool, next: array{date: string, time: ?string}|null
     * } zone: whose time it names, when that is not the person's
     */
    private static function repeat(Repeat $repeat, Speaker $speaker): array
    {
        $next = $repeat->next($speaker->now);

        return [
            'text' => $repeat->text(),
            'zone' => null === $repeat->clock || $repeat->zone->getName() === $speaker->now->zone->getName()
                ? null
                : $repeat->zone->getName(),
            'fromCompletion' => $repeat->fromCompletion,
            'next' => null === $next ? null : DueView::in($speaker->now->zone, $next->due()),
        ];
    }

    /** @return list<array{text: string, at: ?string}> */
    private function reminders(Task $task, Speaker $speaker): array
    {
        $reminders = [];
        foreach ($task->reminders() as $reminder) {
            $moment = $reminder->moment($task->start(), $task->due(), $speaker->now->zone, $speaker->settings, $speaker->now->instant);
            $reminders[] = ['text' => $reminder->text(), 'at' => null === $moment ? null : StoredNow::of($moment->instant)];
        }

        return $reminders;
    }

    /** @return array<string, mixed> see Source of the contract */
    private function source(Account $account, Source $source): array
    {
        return $source->state() + match ($source->kind) {
            SourceKind::Message => ['copy' => $this->copies->one($account, $source->ref)],
            SourceKind::Task => ['task' => $this->rows->link($account->id, $source->ref)],
            SourceKind::Web => [],
        };
    }
}
