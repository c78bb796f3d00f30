<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Colour;

final readonly class ListFields
{
    /** @param string|null $id of a list that is made */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public string $name,
        public Colour $colour,
        public bool $archived = false,
        #[Assert\Uuid]
        public ?string $id = null,
    ) {
    }
}
