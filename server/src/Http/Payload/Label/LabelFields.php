<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Label;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Colour;

final readonly class LabelFields
{
    /** @param bool $untilDealt it falls off when what bears it is dealt with */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public string $name,
        public Colour $colour,
        public bool $untilDealt = false,
    ) {
    }
}
