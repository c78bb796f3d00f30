<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Refused;

/**
 * How a person puts things off, what goes by itself, and when mail comes in.
 *
 * @phpstan-import-type OldRule from OldMail
 * @phpstan-import-type SessionsState from Sessions
 *
 * @phpstan-type TraySettingsState array{
 *     snoozes: list<string>, mailEndsSnooze: bool, nextAfterDeciding: bool, oldMail: list<OldRule>, sessions: SessionsState
 * }
 */
final readonly class TraySettings
{
    public SnoozePresets $snoozes;

    public OldMail $oldMail;

    public Sessions $sessions;

    /**
     * @param bool $mailEndsSnooze    a new message brings a snoozed conversation back at once
     * @param bool $nextAfterDeciding after a decision in an opened conversation the next one of its group opens, and not the list
     */
    public function __construct(
        ?SnoozePresets $snoozes = null,
        public bool $mailEndsSnooze = true,
        public bool $nextAfterDeciding = true,
        ?OldMail $oldMail = null,
        ?Sessions $sessions = null,
    ) {
        $this->snoozes = $snoozes ?? new SnoozePresets();
        $this->oldMail = $oldMail ?? new OldMail();
        $this->sessions = $sessions ?? new Sessions();
    }

    /** @return TraySettingsState */
    public function state(): array
    {
        return [
            'snoozes' => $this->snoozes->phrases,
            'mailEndsSnooze' => $this->mailEndsSnooze,
            'nextAfterDeciding' => $this->nextAfterDeciding,
            'oldMail' => $this->oldMail->rules,
            'sessions' => $this->sessions->state(),
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
            Sessions::fromState($state['sessions']),
        );
    }
}
