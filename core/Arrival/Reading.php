<?php

declare(strict_types=1);

namespace ZippyTray\Core\Arrival;

use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Gist;

/**
 * What is found in messages, for advice; it is kept with them.
 */
interface Reading
{
    /**
     * Takes the time that the letter takes.
     *
     * @param string $name by which the letter is found, for whoever looks for a fault
     *
     * @return Findings|null null when it cannot be read, which is no reason not to take it in
     */
    public function read(Recipient $for, Gist $gist, string $name): ?Findings;

    /** @param Findings|null $findings null: it cannot be read, and is not tried again by the same rules */
    public function keep(Recipient $for, EmailId $messageId, ?Findings $findings): void;

    /**
     * They are read later, by who has the time.
     *
     * @param list<EmailId> $messageIds
     */
    public function want(Recipient $for, array $messageIds): void;
}
