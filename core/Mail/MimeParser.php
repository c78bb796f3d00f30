<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * Takes a message apart along its MIME structure (RFC 2046).
 */
interface MimeParser
{
    /**
     * @param string $raw the message's bytes
     *
     * @throws UnreadableMessage when there is no header at all
     */
    public function parse(string $raw): MimePart;
}
