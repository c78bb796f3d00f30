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

    /**
     * What those who take part are asked to, as it is now (REQUEST, RFC 5546, 3.2.2); without what reminds the owner.
     *
     * @return string a calendar object
     */
    public function request(Event $event, Address $owner): string;

    /**
     * It does not take place, or not for them (CANCEL, RFC 5546, 3.2.5).
     *
     * @param list<Participant> $for
     * @param string|null       $key which one of a series; null: all of it
     *
     * @return string a calendar object
     */
    public function cancel(Event $event, Address $owner, array $for, ?string $key): string;
}
