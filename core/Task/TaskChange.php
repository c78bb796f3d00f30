<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Span;

/**
 * One change that is made to several tasks alike. What is null stays as it is.
 */
final readonly class TaskChange
{
    /**
     * @param Due|null    $due      a day leaves the time of the day as it is
     * @param bool        $undated  without due
     * @param Due|null    $start    until then they are out of the way
     * @param string|null $list     the list's name; one that does not exist yet is made
     * @param string|null $label    the name of one that is added; one that does not exist yet is made
     * @param string|null $unlabel  the name of one that is taken off
     * @param int|null    $estimate in minutes
     */
    public function __construct(
        public ?Due $due = null,
        public bool $undated = false,
        public ?Due $start = null,
        public ?string $list = null,
        public ?Priority $priority = null,
        public ?string $label = null,
        public ?string $unlabel = null,
        public ?int $estimate = null,
    ) {
    }

    /**
     * All but the list.
     *
     * @param \DateTimeZone $zone  the person's own
     * @param string|null   $label the id of the one that is added
     * @param list<string>  $off   the ids for which the one is shown that is taken off
     *
     * @throws Refused
     */
    public function apply(Task $task, \DateTimeZone $zone, ?string $label = null, array $off = []): void
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
        if (null !== $this->estimate) {
            $task->estimate($this->estimate);
        }
        if (null !== $label || [] !== $off) {
            $task->label([...array_diff($task->labels(), $off), ...(null === $label ? [] : [$label])]);
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
            null !== $this->estimate => 'takes '.(new Span(minutes: $this->estimate))->text(),
            default => '',
        };
    }
}
