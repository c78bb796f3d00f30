<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Task\ListColour;

final readonly class ListFields
{
    /** @param string|null $id of a list that is made */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public string $name,
        public ListColour $colour,
        public bool $archived = false,
        #[Assert\Uuid]
        public ?string $id = null,
    ) {
    }
}
