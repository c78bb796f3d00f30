<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\PostRoom;

use ZippyTray\Server\Mailroom\In\MailIn;

/**
 * The post room, as one person gets mail from it.
 */
final readonly class PostRoomInbox implements MailIn
{
    public function __construct(private PostRoom $postRoom, private string $email)
    {
    }

    public function since(string $cursor): iterable
    {
        return $this->postRoom->since($cursor, $this->email);
    }
}
