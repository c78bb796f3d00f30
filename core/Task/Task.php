<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Label\LabelName;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Stage\AtStage;
use ZippyTray\Core\Task\Stage\StageSpot;
use ZippyTray\Core\Task\Stage\StandsAtStage;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;

/**
 * Something to do, in words of its own, that leads back to what it came from.
 *
 * @phpstan-import-type DueState from Due
 * @phpstan-import-type RepeatState from Repeat
 * @phpstan-import-type ReminderState from Reminder
 * @phpstan-import-type SourceState from Source
 * @phpstan-import-type StageSpotState from StageSpot
 *
 * @phpstan-type TaskState array{
 *     createdAt: string, title: string, notes: string, list: string, parent: ?string, rank: string, start: DueState|null,
 *     due: DueState|null, estimate: ?int, priority: string, labels: list<string>, repeat: RepeatState|null, reminders: list<ReminderState>,
 *     sources: list<SourceState>, files: list<string>, completedAt: ?string,
 *     stage?: StageSpotState,
 * }
 */
final class Task implements AtStage
{
    use StandsAtStage;

    public const TITLE_LENGTH = 300;

    public const NOTES_LENGTH = 100_000;

    /** How deep subtasks may lie under one another; a task without a parent is at depth 0. */
    public const DEPTH = 8;

    /** In minutes: a thousand hours. */
    public const ESTIMATE = 60_000;

    private string $title;

    private string $notes = '';

    private ListId $listId;

    private ?TaskId $parentId = null;

    private string $rank;

    private ?string $startDate = null;

    private ?string $startTime = null;

    private ?string $startZone = null;

    private ?string $dueDate = null;

    private ?string $dueTime = null;

    private ?string $dueZone = null;

    /** In minutes. */
    private ?int $estimate = null;

    private Priority $priority = Priority::Normal;

    /** @var list<string> ids */
    private array $labels = [];

    /** @var RepeatState|null */
    private ?array $repeat = null;

    /** @var list<ReminderState> */
    private array $reminders = [];

    /** @var list<SourceState> */
    private array $sources = [];

    /** @var list<string> ids of files */
    private array $files = [];

    private ?\DateTimeImmutable $completedAt = null;

    /** Counts the changes, so that somebody who saw an earlier one is told. */
    private int $revision = 1;

    /** @throws Refused when the title is empty or too long */
    public function __construct(
        public readonly TaskId $id,
        public readonly AccountId $accountId,
        public readonly \DateTimeImmutable $createdAt,
        string $title,
        ListId $listId,
        string $rank = 'V',
    ) {
        $this->title = self::checkedTitle($title);
        $this->listId = $listId;
        $this->rank = $rank;
    }

    /**
     * Makes a task again that had been removed.
     *
     * @param array<string, mixed> $state what state() gave
     */
    public static function revived(TaskId $id, AccountId $accountId, array $state): self
    {
        /** @var TaskState $state */
        $task = new self($id, $accountId, new \DateTimeImmutable($state['createdAt']), $state['title'], new ListId($state['list']));
        $task->restore($state);

        return $task;
    }

    /**
     * The same to do again, at no stage, apart from what became of it.
     */
    public function copy(TaskId $id, \DateTimeImmutable $now): self
    {
        $made = new self($id, $this->accountId, $now, $this->title, $this->listId);
        $made->restore($this->state());
        $made->keepStage(null);

        return $made;
    }

    /** @throws Refused when the title is empty or longer than TITLE_LENGTH characters */
    public function rename(string $title): void
    {
        $this->title = self::checkedTitle($title);
        $this->changed();
    }

    /**
     * @param string $notes Markdown (CommonMark)
     *
     * @throws Refused when the notes are longer than NOTES_LENGTH characters
     */
    public function note(string $notes): void
    {
        if (mb_strlen($notes) > self::NOTES_LENGTH) {
            throw new Refused(
                \sprintf(
                    'Notes can have %s characters at most; these have %s.',
                    number_format(self::NOTES_LENGTH),
                    number_format(mb_strlen($notes)),
                ),
                'notes',
            );
        }
        $this->notes = $notes;
        $this->changed();
    }

    /**
     * In another list it stands at no stage.
     *
     * @param TaskId|null $parentId the task that it is a part of
     */
    public function place(ListId $listId, ?TaskId $parentId, string $rank): void
    {
        if (!$this->listId->is($listId)) {
            $this->keepStage(null);
        }
        $this->listId = $listId;
        $this->parentId = $parentId;
        $this->rank = $rank;
        $this->changed();
    }

    public function standAt(?StageSpot $spot): void
    {
        $this->keepStage($spot);
        $this->changed();
    }

    /**
     * @throws Refused when it would begin after it is due
     */
    public function schedule(?Due $start, ?Due $due, \DateTimeZone $zone): void
    {
        if (null !== $start && null !== $due && $start->isAfter($due, $zone)) {
            throw new Refused(\sprintf('It would begin (%s) after it is due (%s).', $start->text(), $due->text()), 'start');
        }
        [$this->startDate, $this->startTime, $this->startZone] = self::columns($start);
        [$this->dueDate, $this->dueTime, $this->dueZone] = self::columns($due);
        $this->changed();
    }

    /** Moves everything along by whole days. */
    public function shift(int $days): void
    {
        [$this->startDate, $this->startTime, $this->startZone] = self::columns($this->start()?->plusDays($days));
        [$this->dueDate, $this->dueTime, $this->dueZone] = self::columns($this->due()?->plusDays($days));
        $this->remind(array_map(static fn (Reminder $reminder): Reminder => $reminder->plusDays($days), $this->reminders()));
    }

    /** Goes on to another occurrence of its repeat; what was moved of this one only comes back to the rule. */
    public function moveOn(Repeat $next): void
    {
        $before = $this->repeat();
        $this->shift(null === $before ? 0 : $before->on->daysUntil($next->on));
        [$this->dueDate, $this->dueTime, $this->dueZone] = self::columns($next->due());
        $this->repeat = $next->state();
        $this->changed();
    }

    /**
     * @throws Refused when it is negative or more than ESTIMATE
     */
    public function estimate(?int $minutes): void
    {
        if (null !== $minutes && ($minutes < 1 || $minutes > self::ESTIMATE)) {
            throw new Refused('An estimate is between a minute and a thousand hours.', 'estimate');
        }
        $this->estimate = $minutes;
        $this->changed();
    }

    public function prioritise(Priority $priority): void
    {
        $this->priority = $priority;
        $this->changed();
    }

    /**
     * @param list<string> $labels ids, see Label
     *
     * @throws Refused when there would be too many
     */
    public function label(array $labels): void
    {
        $labels = array_values(array_unique($labels));
        if (\count($labels) > LabelName::MOST && \count($labels) > \count($this->labels)) {
            throw new Refused(\sprintf('There can be %d labels on one thing at most.', LabelName::MOST), 'labels');
        }
        $this->labels = $labels;
        $this->changed();
    }

    public function repeatBy(?Repeat $repeat): void
    {
        $this->repeat = $repeat?->state();
        $this->changed();
    }

    /** @param list<Reminder> $reminders */
    public function remind(array $reminders): void
    {
        $this->reminders = array_values(array_unique(
            array_map(static fn (Reminder $reminder): array => $reminder->state(), $reminders),
            \SORT_REGULAR,
        ));
        $this->changed();
    }

    /** @param list<Source> $sources */
    public function leadBackTo(array $sources): void
    {
        $this->sources = array_values(array_unique(
            array_map(static fn (Source $source): array => $source->state(), $sources),
            \SORT_REGULAR,
        ));
        $this->changed();
    }

    /** @param list<string> $files ids */
    public function attach(array $files): void
    {
        $this->files = array_values(array_unique($files));
        $this->changed();
    }

    /** Completing what is complete keeps the first moment. */
    public function complete(\DateTimeImmutable $now): void
    {
        $this->completedAt ??= (new Moment($now, $now->getTimezone()))->instant;
        $this->changed();
    }

    public function reopen(): void
    {
        $this->completedAt = null;
        $this->changed();
    }

    public function priority(): Priority
    {
        return $this->priority;
    }

    /** In minutes; null when nobody has estimated it. */
    public function estimated(): ?int
    {
        return $this->estimate;
    }

    public function title(): string
    {
        return $this->title;
    }

    public function notes(): string
    {
        return $this->notes;
    }

    public function listId(): ListId
    {
        return $this->listId;
    }

    public function parentId(): ?TaskId
    {
        return $this->parentId;
    }

    public function rank(): string
    {
        return $this->rank;
    }

    public function start(): ?Due
    {
        return self::when($this->startDate, $this->startTime, $this->startZone);
    }

    public function due(): ?Due
    {
        return self::when($this->dueDate, $this->dueTime, $this->dueZone);
    }

    /** @return list<string> ids; which of them are shown, and how, is told by ShownLabels */
    public function labels(): array
    {
        return $this->labels;
    }

    public function repeat(): ?Repeat
    {
        return null === $this->repeat ? null : Repeat::fromState($this->repeat);
    }

    /** @return list<Reminder> */
    public function reminders(): array
    {
        return array_map(Reminder::fromState(...), $this->reminders);
    }

    /** @return list<Source> in the order in which they were added */
    public function sources(): array
    {
        return array_map(Source::fromState(...), $this->sources);
    }

    /** @return list<string> ids */
    public function files(): array
    {
        return $this->files;
    }

    public function isDone(): bool
    {
        return null !== $this->completedAt;
    }

    public function completedAt(): ?\DateTimeImmutable
    {
        return $this->completedAt;
    }

    public function revision(): int
    {
        return $this->revision;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Task, $this->id->text);
    }

    /** @return TaskState */
    public function state(): array
    {
        return [
            'createdAt' => $this->createdAt->format(\DATE_ATOM),
            'title' => $this->title,
            'notes' => $this->notes,
            'list' => $this->listId->text,
            'parent' => $this->parentId?->text,
            'rank' => $this->rank,
            'start' => $this->start()?->state(),
            'due' => $this->due()?->state(),
            'estimate' => $this->estimate,
            'priority' => $this->priority->value,
            'labels' => $this->labels,
            'repeat' => $this->repeat,
            'reminders' => $this->reminders,
            'sources' => $this->sources,
            'files' => $this->files,
            'completedAt' => $this->completedAt?->format(\DATE_ATOM),
            ...$this->stageState(),
        ];
    }

    public function restore(array $state): void
    {
        /** @var TaskState $state */
        $this->title = $state['title'];
        $this->notes = $state['notes'];
        $this->listId = new ListId($state['list']);
        $this->parentId = TaskId::orNull($state['parent']);
        $this->rank = $state['rank'];
        [
            $this->startDate,
            $this->startTime,
            $this->startZone,
        ] = self::columns(null === $state['start'] ? null : Due::fromState($state['start']));
        [$this->dueDate, $this->dueTime, $this->dueZone] = self::columns(null === $state['due'] ? null : Due::fromState($state['due']));
        $this->estimate = $state['estimate'];
        $this->priority = Priority::from($state['priority']);
        $this->labels = $state['labels'];
        $this->repeat = $state['repeat'];
        $this->reminders = $state['reminders'];
        $this->sources = $state['sources'];
        $this->files = $state['files'];
        $this->completedAt = null === $state['completedAt'] ? null : new \DateTimeImmutable($state['completedAt']);
        $this->keepStage(StageSpot::fromState($state['stage'] ?? null));
        $this->changed();
    }

    public function needs(): array
    {
        $list = new ObjectRef(ObjectKind::TaskList, $this->listId->text);

        return null === $this->parentId ? [$list] : [$list, new ObjectRef(ObjectKind::Task, $this->parentId->text)];
    }

    private function changed(): void
    {
        ++$this->revision;
    }

    /** @throws Refused */
    private static function checkedTitle(string $title): string
    {
        $title = trim((string) preg_replace('/\s+/u', ' ', $title));
        if ('' === $title) {
            throw new Refused('A task needs a title: what is to be done?', 'title');
        }
        if (mb_strlen($title) > self::TITLE_LENGTH) {
            throw new Refused(
                \sprintf(
                    'A title can have %d characters at most; this one has %d. The rest may go into the notes.',
                    self::TITLE_LENGTH,
                    mb_strlen($title),
                ),
                'title',
            );
        }

        return $title;
    }

    /** @return array{?string, ?string, ?string} date, time, zone */
    private static function columns(?Due $due): array
    {
        return null === $due ? [null, null, null] : array_values($due->state());
    }

    private static function when(?string $date, ?string $time, ?string $zone): ?Due
    {
        return null === $date ? null : Due::fromState(['date' => $date, 'time' => $time, 'zone' => $zone]);
    }
}
