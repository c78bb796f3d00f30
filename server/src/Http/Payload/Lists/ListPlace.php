<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class ListPlace
{
    /**
     * @param string|null $behind the list behind which it is to stand; null: the first
     * @param string|null $parent the list that it is to lie under; null: none
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Uuid]
        public ?string $behind,
        #[Assert\Uuid]
        public ?string $parent = null,
    ) {
    }
}
