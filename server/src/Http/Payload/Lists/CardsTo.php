<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * Cards are put at a stage of their list, in the given order.
 */
final readonly class CardsTo
{
    /**
     * @param list<CardName> $cards
     * @param string|null    $stage  null: off the line
     * @param CardName|null  $behind null: at the end
     * @param bool           $first  at the beginning instead, where $behind is null
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Valid, Assert\Count(min: 1, max: 1000, minMessage: 'Which ones?', maxMessage: 'At most {{ limit }} in one step.')]
        public array $cards,
        #[Assert\Uuid]
        public ?string $stage,
        #[Assert\Valid]
        public ?CardName $behind = null,
        public bool $first = false,
    ) {
    }
}
