<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Reminder;

/**
 * What a person fills in of a task.
 */
final readonly class TaskFields
{
    /**
     * @param string         $title          plain text, one line
     * @param string         $notes          Markdown (CommonMark)
     * @param string|null    $list           the list's name; one that does not exist yet is made; null: as it is, or the usual one
     * @param Due|null       $start          before it the task is out of the way
     * @param Due|null       $due            null: no date, or the first occurrence of the repeat
     * @param int|null       $estimate       in minutes
     * @param list<string>   $labels         names; one that does not exist yet is made
     * @param list<Reminder> $reminders
     * @param bool           $keepsRepeat    the repeat is not to be touched; $repeat is then empty
     * @param bool           $fromCompletion of a repeat that is kept
     * @param list<Source>   $sources        besides the message that it is made of
     * @param list<string>   $files          ids of files that were taken in before
     */
    public function __construct(
        public string $title,
        public string $notes = '',
        public ?Due $due = null,
        public ?string $list = null,
        public ?Due $start = null,
        public ?int $estimate = null,
        public Priority $priority = Priority::Normal,
        public array $labels = [],
        public ?Repeat $repeat = null,
        public array $reminders = [],
        public array $sources = [],
        public array $files = [],
        public bool $keepsRepeat = false,
        public bool $fromCompletion = false,
    ) {
    }

    /** With more notes, below its own. */
    public function noting(string $notes): self
    {
        return $this->but(['notes' => implode("\n", array_filter([$this->notes, $notes], static fn (string $one): bool => '' !== $one))]);
    }

    /**
     * With the title and the notes written otherwise.
     *
     * @param callable(string): string $title
     * @param callable(string): string $notes
     */
    public function written(callable $title, callable $notes): self
    {
        return $this->but(['title' => $title($this->title), 'notes' => $notes($this->notes)]);
    }

    /** In that list, unless it names one itself. */
    public function in(?string $list): self
    {
        return $this->but(['list' => $this->list ?? $list]);
    }

    /** @param array<string, mixed> $changes by the name of the property */
    private function but(array $changes): self
    {
        /**
         * @var array{
         *     title: string, notes: string, due: ?Due, list: ?string, start: ?Due, estimate: ?int,
         *     priority: Priority, labels: list<string>, repeat: ?Repeat, reminders: list<Reminder>,
         *     sources: list<Source>, files: list<string>, keepsRepeat: bool, fromCompletion: bool
         * } $all
         */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }
}
