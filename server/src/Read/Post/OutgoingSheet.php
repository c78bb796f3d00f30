<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

/**
 * A message that goes out, with all that is written in it.
 */
final readonly class OutgoingSheet
{
    /** @param string|null $message that it answers or forwards */
    public function __construct(public OutgoingRow $row, public int $revision, public ?string $message, public LetterView $letter)
    {
    }
}
