<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Post;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Post\AnswerKind;

final readonly class DraftRequest
{
    public function __construct(
        public int $revision,
        public AnswerKind $kind,
        #[Assert\Valid]
        public WrittenLetter $letter,
        #[Assert\Uuid]
        public ?string $message = null,
    ) {
    }
}
