<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Post;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class TemplateFields
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public string $name,
        public string $subject,
        public string $text,
        public bool $signed,
    ) {
    }
}
