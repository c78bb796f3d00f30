<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;

/**
 * One change that is made to several tasks alike. What is null stays as it is.
 */
final readonly class TaskChange
{
    /**
     * @param Due|null    $due     a day leaves the time of the day as it is
     * @param bool        $undated without due
     * @param Due|null    $start   until then they are out of the way
     * @param string|null $list    the list's name; one that does not exist yet is made
     * @param string|null $label   is added
     * @param string|null $unlabel is taken off
     */
    public function __construct(
        public ?Due $due = null,
        public bool $undated = false,
        public ?Due $start = null,
        public ?string $list = null,
        public ?Priority $priority = null,
        public ?string $label = null,
        public ?string $unlabel = null,
    ) {
    }

    /**
     * All but the list.
     *
     * @param \DateTimeZone $zone the person's own
     *
     * @throws Refused
     */
    public function apply(Task $task, \DateTimeZone $zone): void
    {
        if (null !== $this->due || $this->undated || null !== $this->start) {
            $due = null === $this->due ? ($this->undated ? null : $task->due()) : PutOff::onDay($this->due, $task->due());
            try {
                $task->schedule(null === $this->start ? $task->start() : PutOff::onDay($this->start, $task->start()), $due, $zone);
            } catch (Refused $refused) {
                throw new Refused(\sprintf('"%s": %s', $task->title(), $refused->getMessage()), $refused->field);
            }
        }
        if (null !== $this->priority) {
            $task->prioritise($this->priority);
        }
        if (null !== $this->label) {
            $task->label([...$task->labels(), $this->label]);
        }
        if (null !== $this->unlabel) {
            $task->label(array_values(array_filter(
                $task->labels(),
                fn (string $label): bool => mb_strtolower($label) !== mb_strtolower((string) $this->unlabel),
            )));
        }
    }

    /** In words, for the journal. */
    public function text(): string
    {
        return match (true) {
            null !== $this->due => 'due '.$this->due->text(),
            $this->undated => 'without date',
            null !== $this->start => 'out of the way until '.$this->start->text(),
            null !== $this->list => 'to '.$this->list,
            null !== $this->priority => 'priority '.$this->priority->value,
            null !== $this->label => 'label '.$this->label,
            null !== $this->unlabel => 'without label '.$this->unlabel,
            default => '',
        };
    }
}
