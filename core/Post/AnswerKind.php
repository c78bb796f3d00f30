<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

/**
 * How a message that goes out relates to one that came in.
 */
enum AnswerKind: string
{
    case New = 'new';
    case Reply = 'reply';
    case ReplyAll = 'reply_all';
    case Forward = 'forward';

    public function isReply(): bool
    {
        return self::Reply === $this || self::ReplyAll === $this;
    }
}
