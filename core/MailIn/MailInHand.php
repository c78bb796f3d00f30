<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Moment;

/**
 * What is at hand when a letter to a mail-in address is carried out.
 */
final readonly class MailInHand
{
    /**
     * @param Person $person  whose mail it is
     * @param Moment $now     in their zone
     * @param bool   $canSend whether their mail has a way out
     * @param string $program the address of the program, without a slash at its end
     */
    public function __construct(
        public Person $person,
        public Moment $now,
        public MailInSettings $settings,
        public bool $canSend,
        public string $program,
    ) {
    }
}
