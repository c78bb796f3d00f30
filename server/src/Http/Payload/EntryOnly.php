<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * A step that needs nothing but the id of its journal entry.
 */
final readonly class EntryOnly
{
    public function __construct(#[Assert\Uuid] public string $entry)
    {
    }
}
