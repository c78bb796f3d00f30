<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class NewTask
{
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        public FieldsOfTask $fields,
        #[Assert\Uuid]
        public ?string $message = null,
        #[Assert\Valid]
        public ?ClaimField $conversation = null,
    ) {
    }
}
