<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Find;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class SearchPlace
{
    /** @param string|null $behind null: the first */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Uuid]
        public ?string $behind = null,
    ) {
    }
}
