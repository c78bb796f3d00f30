<?php

declare(strict_types=1);

namespace ZippyTray\Core\Arrival;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\MailIn\MailInSettings;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Moment;

/**
 * Whose mail it is that comes in.
 */
final readonly class Recipient
{
    /**
     * @param bool                $endsSnooze whether a message brings back what was put off until a moment
     * @param Moment|null         $heldUntil  when what arrives comes into the tray; null: at once
     * @param MailInSettings|null $mailIn     null: what it asks of the program is not looked at
     */
    public function __construct(
        public AccountId $accountId,
        public Person $person,
        public bool $endsSnooze = true,
        public ?Moment $heldUntil = null,
        public ?MailInSettings $mailIn = null,
    ) {
    }
}
