<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Refused;

/**
 * How a person wants tasks to be handled.
 *
 * @phpstan-type TaskSettingsState array{completeSubtasks: bool, reminderPercent: int, reminderDays: int}
 */
final readonly class TaskSettings
{
    /** @param bool $completeSubtasks open subtasks are completed with their task, without asking */
    public function __construct(public bool $completeSubtasks = false, public FirstReminder $firstReminder = new FirstReminder())
    {
    }

    /** @return TaskSettingsState */
    public function state(): array
    {
        return ['completeSubtasks' => $this->completeSubtasks, 'reminderPercent' => $this->firstReminder->percent, 'reminderDays' => $this->firstReminder->mostWorkingDays];
    }

    /**
     * @param TaskSettingsState $state
     *
     * @throws Refused
     */
    public static function fromState(array $state): self
    {
        return new self($state['completeSubtasks'], new FirstReminder($state['reminderPercent'], $state['reminderDays']));
    }
}
