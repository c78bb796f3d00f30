<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Mail\ConversationId;

/**
 * A conversation as the person saw it when deciding.
 */
final readonly class Claim
{
    /** @param int|null $revision the conversation's revision then; null when it does not matter what has happened since */
    public function __construct(public ConversationId $conversationId, public ?int $revision = null)
    {
    }

    /** @return Overtaken|null what has happened to the conversation since; null when nothing has */
    public function overtaken(Conversation $conversation, Entries $entries): ?Overtaken
    {
        if (null === $this->revision || $this->revision === $conversation->revision()) {
            return null;
        }

        return new Overtaken(
            $conversation->id,
            $conversation->subject(),
            $conversation->isRevisedByMail() ? null : $entries->newestAbout($conversation->accountId, $conversation->ref()),
            $conversation->revision(),
        );
    }
}
