<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Out;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;

/**
 * A way on which mail goes out.
 */
interface MailOut
{
    /**
     * Returns when the message has been taken over for all recipients.
     *
     * @param string        $messageHeader Message-ID without angle brackets
     * @param Address       $from          of the envelope (RFC 5321, 2.3.1)
     * @param list<Address> $to            of the envelope: Bcc, too
     * @param string        $raw           the message's bytes (RFC 5322), without Bcc
     *
     * @throws NotTaken   when it has certainly not been taken over
     * @throws Unanswered when it may have been, or not
     */
    public function submit(string $messageHeader, Address $from, array $to, string $raw): void;

    /** Whether a message has been taken over; null when that cannot be told. */
    public function hasTaken(string $messageHeader): ?bool;
}
