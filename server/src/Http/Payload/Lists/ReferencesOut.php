<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * Things to look up are taken out of their lists.
 */
final readonly class ReferencesOut
{
    /** @param list<string> $references ids */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 1000, minMessage: 'Which ones?', maxMessage: 'At most {{ limit }} in one step.'),
            Assert\All([new Assert\Uuid()])]
        public array $references,
    ) {
    }
}
