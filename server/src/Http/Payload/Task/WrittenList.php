<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class WrittenList
{
    public function __construct(
        #[Assert\Length(max: 200_000, maxMessage: 'A list can have {{ limit }} characters at most.')]
        public string $text,
    ) {
    }
}
