<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * What is said of somebody else's calendar here.
 */
final readonly class SubscriptionChange
{
    public function __construct(
        #[Assert\NotBlank(message: 'Give it a name.', normalizer: 'trim')]
        #[Assert\Length(max: 200)]
        public string $name,
        public bool $busy,
    ) {
    }
}
