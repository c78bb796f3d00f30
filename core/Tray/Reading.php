<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;

/**
 * Whether a conversation is read, as a thing of its own: it comes and goes by itself, and is no part of what was decided.
 */
final readonly class Reading implements Journaled
{
    public function __construct(private Conversation $conversation)
    {
    }

    public function mark(bool $unread): void
    {
        $unread ? $this->conversation->markUnread() : $this->conversation->markRead();
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Reading, $this->conversation->id->text);
    }

    public function state(): array
    {
        return ['unread' => $this->conversation->isUnread()];
    }

    public function restore(array $state): void
    {
        $this->mark(true === $state['unread']);
    }

    public function needs(): array
    {
        return [];
    }
}
