<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Refused;

/**
 * How a person puts things off.
 *
 * @phpstan-type TraySettingsState array{snoozes: list<string>, mailEndsSnooze: bool}
 */
final readonly class TraySettings
{
    public SnoozePresets $snoozes;

    /** @param bool $mailEndsSnooze a new message brings a snoozed conversation back at once */
    public function __construct(?SnoozePresets $snoozes = null, public bool $mailEndsSnooze = true)
    {
        $this->snoozes = $snoozes ?? new SnoozePresets();
    }

    /** @return TraySettingsState */
    public function state(): array
    {
        return ['snoozes' => $this->snoozes->phrases, 'mailEndsSnooze' => $this->mailEndsSnooze];
    }

    /**
     * @param TraySettingsState $state
     *
     * @throws Refused
     */
    public static function fromState(array $state): self
    {
        return new self(new SnoozePresets($state['snoozes']), $state['mailEndsSnooze']);
    }
}
