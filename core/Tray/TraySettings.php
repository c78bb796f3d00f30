<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Refused;

/**
 * How a person puts things off.
 *
 * @phpstan-type TraySettingsState array{snoozes: list<string>, mailEndsSnooze: bool, nextAfterDeciding: bool}
 */
final readonly class TraySettings
{
    public SnoozePresets $snoozes;

    /**
     * @param bool $mailEndsSnooze    a new message brings a snoozed conversation back at once
     * @param bool $nextAfterDeciding after a decision in an opened conversation the next one of its group opens, and not the list
     */
    public function __construct(?SnoozePresets $snoozes = null, public bool $mailEndsSnooze = true, public bool $nextAfterDeciding = true)
    {
        $this->snoozes = $snoozes ?? new SnoozePresets();
    }

    /** @return TraySettingsState */
    public function state(): array
    {
        return [
            'snoozes' => $this->snoozes->phrases,
            'mailEndsSnooze' => $this->mailEndsSnooze,
            'nextAfterDeciding' => $this->nextAfterDeciding,
        ];
    }

    /**
     * @param TraySettingsState $state
     *
     * @throws Refused
     */
    public static function fromState(array $state): self
    {
        return new self(new SnoozePresets($state['snoozes']), $state['mailEndsSnooze'], $state['nextAfterDeciding']);
    }
}
