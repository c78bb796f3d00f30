<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

/**
 * A draft was changed, or sent, in another window since the person saw it.
 */
final class DraftOvertaken extends \RuntimeException
{
    public function __construct(public readonly Outgoing $outgoing)
    {
        parent::__construct(
            OutgoingState::Draft === $outgoing->outgoingState()
                ? 'This draft was changed in another window.'
                : 'This draft was sent in another window.',
        );
    }
}
