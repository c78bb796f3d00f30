<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Tray;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * Whether conversations are read.
 */
final readonly class Unread
{
    /** @param list<string> $conversations */
    public function __construct(
        #[Assert\Count(min: 1, max: 10000, minMessage: 'Which conversations?', maxMessage: 'At most {{ limit }} in one step.'),
            Assert\All([new Assert\Uuid()])]
        public array $conversations,
        public bool $unread,
    ) {
    }
}
