<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\Message;

/**
 * A message that somebody else wrote and on which orders have not been carried out yet.
 */
final readonly class Arrived
{
    /**
     * @param list<MessageFacts> $beside of the other messages of its conversation that are undecided: what is decided about it is decided
     *                                   about them, too
     */
    public function __construct(
        public Message $message,
        public ConversationId $conversationId,
        public MessageFacts $facts,
        public array $beside = [],
    ) {
    }
}
