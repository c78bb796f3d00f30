<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Post;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class TemplateGaps
{
    /** @param array<string, string> $asked answers by question */
    public function __construct(
        #[Assert\Length(max: 60_000)]
        public string $to,
        #[Assert\All([new Assert\Type('string')])]
        public array $asked = [],
    ) {
    }
}
