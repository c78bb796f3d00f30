<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * Conversations and tasks go along the stages of their lists.
 */
final readonly class CardsAlong
{
    /**
     * @param list<CardName> $cards
     * @param int            $by    stages onwards; negative: back
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Valid, Assert\Count(min: 1, max: 1000, minMessage: 'Which ones?', maxMessage: 'At most {{ limit }} in one step.')]
        public array $cards,
        #[Assert\Range(min: -12, max: 12)]
        public int $by,
    ) {
    }
}
