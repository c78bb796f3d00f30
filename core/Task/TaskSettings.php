<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Unreadable;

/**
 * How a person works with tasks.
 *
 * @phpstan-type TaskSettingsState array{
 *     completeSubtasks: bool, reminderPercent: int, reminderDays: int, taskDue: string, taskReminder: string
 * }
 */
final readonly class TaskSettings
{
    /**
     * @param bool   $completeSubtasks open subtasks are completed with their task, without asking
     * @param string $taskDue          a when phrase: the due of a task of a message that names none; empty: none
     * @param string $taskReminder     the reminder that such a task gets; empty: the first one, where it has a due
     */
    public function __construct(
        public bool $completeSubtasks = false,
        public FirstReminder $firstReminder = new FirstReminder(),
        public string $taskDue = '',
        public string $taskReminder = '',
    ) {
    }

    /** @throws Refused when one of the phrases cannot be read */
    public function check(Speaker $speaker): void
    {
        if ('' !== $this->taskDue) {
            $speaker->moment($this->taskDue, 'taskDue');
        }
        if ('' === $this->taskReminder) {
            return;
        }
        try {
            ReadReminder::of($this->taskReminder, $speaker);
        } catch (Unreadable $problem) {
            throw new Refused($problem->getMessage(), 'taskReminder');
        }
    }

    /** What a task of a message is due that names no deadline; null when it has none, or the phrase cannot be read any more. */
    public function usualDue(Speaker $speaker): ?Due
    {
        try {
            $reading = '' === $this->taskDue ? null : $speaker->read($this->taskDue);
        } catch (Unreadable) {
            return null;
        }

        return null === $reading || null !== $reading->rule || $reading->past ? null : $reading->due();
    }

    /** The reminder of a task that has $due; null when it gets none. */
    public function reminder(?Due $due, bool $isUsual, Speaker $speaker, ?int $estimate): ?Reminder
    {
        if ($isUsual && '' !== $this->taskReminder) {
            try {
                return ReadReminder::of($this->taskReminder, $speaker);
            } catch (Unreadable) {
                // As without a wish.
            }
        }

        return null === $due ? null : $this->firstReminder->of($due, $speaker->now, $speaker->settings, $estimate);
    }

    /** @return TaskSettingsState */
    public function state(): array
    {
        return [
            'completeSubtasks' => $this->completeSubtasks,
            'reminderPercent' => $this->firstReminder->percent,
            'reminderDays' => $this->firstReminder->mostWorkingDays,
            'taskDue' => $this->taskDue,
            'taskReminder' => $this->taskReminder,
        ];
    }

    /**
     * @param TaskSettingsState $state
     *
     * @throws Refused
     */
    public static function fromState(array $state): self
    {
        return new self(
            $state['completeSubtasks'],
            new FirstReminder($state['reminderPercent'], $state['reminderDays']),
            $state['taskDue'],
            $state['taskReminder'],
        );
    }
}
