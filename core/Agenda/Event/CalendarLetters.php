<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Mail\Address;

/**
 * Writes what is sent about events (iTIP, RFC 5546).
 */
interface CalendarLetters
{
    /**
     * What one of the participants says (REPLY, RFC 5546, 3.2.3), or another time that they propose (COUNTER, 3.2.7).
     *
     * @param EventTime|null $proposed null: a reply
     * @param string         $comment  a sentence; may be empty
     *
     * @return string a calendar object
     */
    public function reply(Event $event, Participant $who, Address $owner, ?EventTime $proposed, string $comment): string;
}
