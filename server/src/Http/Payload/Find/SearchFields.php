<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Find;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Find\Sort;

/**
 * A search as it is to be kept.
 */
final readonly class SearchFields
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Length(max: 1000)]
        public string $name,
        #[Assert\Length(max: 5000)]
        public string $words,
        public Sort $sort = Sort::Mail,
        #[Assert\Length(max: 20)]
        public string $shownIn = '',
    ) {
    }
}
