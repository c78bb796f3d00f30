<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class UndoRequest
{
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        public bool $through = false,
    ) {
    }
}
