<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Task\Source;
use ZippyTray\Core\Task\SourceKind;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\DueView;
use ZippyTray\Server\Store\Files;
use ZippyTray\Server\Store\StoredNow;

/**
 * Tasks with all that belongs to them.
 *
 * @phpstan-import-type RepeatShown from TaskSheet
 */
final readonly class TaskSheets
{
    public function __construct(
        private TaskRows $rows,
        private SourceCopies $copies,
        private Files $files,
        private Clocks $clocks,
        private EntityManagerInterface $orm,
        private ClockInterface $clock,
    ) {
    }

    public function of(Task $task): TaskSheet
    {
        $account = $this->orm->find(Account::class, $task->accountId) ?? throw new \LogicException('A task has an account.');
        $speaker = $account->profile->speaker($this->clock->now());

        return new TaskSheet(
            $this->rows->one($account, $task->id),
            $task->notes(),
            StoredNow::of($task->createdAt),
            null === $task->repeat() ? null : self::repeat($task->repeat(), $speaker),
            $this->reminders($task, $speaker),
            array_map(fn (Source $source): SourceView => $this->source($account, $source), $task->sources()),
            $this->files->some($task->accountId, $task->files()),
            $this->rows->under($account, $task->id),
            $this->rows->ofTask($task->accountId, $task->id),
            $this->clocks->ofTask($account, $task->id->text, $task->title(), $task->listId()->text),
        );
    }

    /** @return RepeatShown */
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

    private function source(Account $account, Source $source): SourceView
    {
        return match ($source->kind) {
            SourceKind::Message => new SourceView($source->kind, $source->ref, copy: $this->copies->one($account, $source->ref)),
            SourceKind::Task => new SourceView(
                $source->kind,
                $source->ref,
                task: $this->rows->link($account->id, new TaskId($source->ref)),
            ),
            SourceKind::Web => new SourceView($source->kind, $source->ref),
        };
    }
}
