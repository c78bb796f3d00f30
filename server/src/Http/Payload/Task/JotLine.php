<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class JotLine
{
    public function __construct(
        #[Assert\Length(max: 4000, maxMessage: 'A line can have {{ limit }} characters at most.')]
        public string $line,
        #[Assert\Uuid]
        public ?string $entry = null,
        #[Assert\Uuid]
        public ?string $id = null,
    ) {
    }
}
