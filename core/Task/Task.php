<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;

/**
 * Something to do, in words of its own, that leads back to what it came from.
 *
 * @phpstan-import-type DueState from Due
 *
 * @phpstan-type TaskState array{createdAt: string, title: string, notes: string, list: string, due: DueState|null, sources: list<string>, completedAt: ?string}
 */
final class Task implements Journaled
{
    public const TITLE_LENGTH = 300;

    public const NOTES_LENGTH = 100_000;

    private string $title;

    private string $notes = '';

    private string $listId;

    private ?string $dueDate = null;

    private ?string $dueTime = null;

    private ?string $dueZone = null;

    /** @var list<string> ids of source copies */
    private array $sources = [];

    private ?\DateTimeImmutable $completedAt = null;

    /** @throws Refused when the title is empty or too long */
    public function __construct(
        public readonly string $id,
        public readonly string $accountId,
        public readonly \DateTimeImmutable $createdAt,
        string $title,
        string $listId,
    ) {
        $this->rename($title);
        $this->listId = $listId;
    }

    /**
     * Makes a task again that had been removed.
     *
     * @param array<string, mixed> $state what state() gave
     */
    public static function revived(string $id, string $accountId, array $state): self
    {
        /** @var TaskState $state */
        $task = new self($id, $accountId, new \DateTimeImmutable($state['createdAt']), $state['title'], $state['list']);
        $task->restore($state);

        return $task;
    }

    /** @throws Refused when the title is empty or longer than TITLE_LENGTH characters */
    public function rename(string $title): void
    {
        $title = trim((string) preg_replace('/\s+/u', ' ', $title));
        if ('' === $title) {
            throw new Refused('A task needs a title: what is to be done?', 'title');
        }
        if (mb_strlen($title) > self::TITLE_LENGTH) {
            throw new Refused(\sprintf('A title can have %d characters at most; this one has %d. The rest may go into the notes.', self::TITLE_LENGTH, mb_strlen($title)), 'title');
        }
        $this->title = $title;
    }

    /** @throws Refused when the notes are longer than NOTES_LENGTH characters */
    public function note(string $notes): void
    {
        if (mb_strlen($notes) > self::NOTES_LENGTH) {
            throw new Refused(\sprintf('Notes can have %s characters at most; these have %s.', number_format(self::NOTES_LENGTH), number_format(mb_strlen($notes))), 'notes');
        }
        $this->notes = $notes;
    }

    public function moveToList(string $listId): void
    {
        $this->listId = $listId;
    }

    public function setDue(?Due $due): void
    {
        $this->dueDate = null === $due ? null : (string) $due->date;
        $this->dueTime = $due?->time?->__toString();
        $this->dueZone = $due?->zone?->getName();
    }

    public function due(): ?Due
    {
        return null === $this->dueDate ? null : Due::fromState(['date' => $this->dueDate, 'time' => $this->dueTime, 'zone' => $this->dueZone]);
    }

    public function addSource(SourceCopy $source): void
    {
        if (!\in_array($source->id, $this->sources, true)) {
            $this->sources[] = $source->id;
        }
    }

    /** @return list<string> ids of source copies, in the order in which they were added */
    public function sources(): array
    {
        return $this->sources;
    }

    /** Completing what is complete keeps the first moment. */
    public function complete(\DateTimeImmutable $now): void
    {
        $this->completedAt ??= (new Moment($now, $now->getTimezone()))->instant;
    }

    public function reopen(): void
    {
        $this->completedAt = null;
    }

    public function isDone(): bool
    {
        return null !== $this->completedAt;
    }

    public function title(): string
    {
        return $this->title;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Task, $this->id);
    }

    public function state(): array
    {
        return [
            'createdAt' => $this->createdAt->format(\DATE_ATOM),
            'title' => $this->title,
            'notes' => $this->notes,
            'list' => $this->listId,
            'due' => $this->due()?->state(),
            'sources' => $this->sources,
            'completedAt' => $this->completedAt?->format(\DATE_ATOM),
        ];
    }

    public function restore(array $state): void
    {
        /** @var TaskState $state */
        $this->title = $state['title'];
        $this->notes = $state['notes'];
        $this->listId = $state['list'];
        $this->setDue(null === $state['due'] ? null : Due::fromState($state['due']));
        $this->sources = $state['sources'];
        $this->completedAt = null === $state['completedAt'] ? null : new \DateTimeImmutable($state['completedAt']);
    }

    public function needs(): array
    {
        return [new ObjectRef(ObjectKind::TaskList, $this->listId)];
    }
}
