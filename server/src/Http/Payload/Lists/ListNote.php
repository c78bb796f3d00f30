<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class ListNote
{
    /** @param string $was what stood there when somebody began to write */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Length(max: 200_000)]
        public string $note,
        #[Assert\Length(max: 200_000)]
        public string $was,
    ) {
    }
}
