<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Refused;

/**
 * How a person puts things off, and what goes by itself.
 *
 * @phpstan-import-type OldRule from OldMail
 *
 * @phpstan-type TraySettingsState array{
 *     snoozes: list<string>, mailEndsSnooze: bool, nextAfterDeciding: bool, oldMail: list<OldRule>
 * }
 */
final readonly class TraySettings
{
    public SnoozePresets $snoozes;

    public OldMail $oldMail;

    /**
     * @param bool $mailEndsSnooze    a new message brings a snoozed conversation back at once
     * @param bool $nextAfterDeciding after a decision in an opened conversation the next one of its group opens, and not the list
     */
    public function __construct(
        ?SnoozePresets $snoozes = null,
        public bool $mailEndsSnooze = true,
        public bool $nextAfterDeciding = true,
        ?OldMail $oldMail = null,
    ) {
        $this->snoozes = $snoozes ?? new SnoozePresets();
        $this->oldMail = $oldMail ?? new OldMail();
    }

    /** @return TraySettingsState */
    public function state(): array
    {
        return [
            'snoozes' => $this->snoozes->phrases,
            'mailEndsSnooze' => $this->mailEndsSnooze,
            'nextAfterDeciding' => $this->nextAfterDeciding,
            'oldMail' => $this->oldMail->rules,
        ];
    }

    /**
     * @param TraySettingsState $state
     *
     * @throws Refused
     */
    public static function fromState(array $state): self
    {
        return new self(
            new SnoozePresets($state['snoozes']),
            $state['mailEndsSnooze'],
            $state['nextAfterDeciding'],
            new OldMail($state['oldMail']),
        );
    }
}
