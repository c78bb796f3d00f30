<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * An event is to stand once more, right behind itself.
 */
final readonly class EventCopy
{
    /** @param string|null $key which one of a series; null: it is none, or its first */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Uuid]
        public string $copy,
        #[Assert\Length(max: 40)]
        public ?string $key = null,
    ) {
    }
}
