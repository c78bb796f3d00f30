<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * Somebody else's calendar is to be shown among the days.
 */
final readonly class NewSubscription
{
    /**
     * @param string $address https or webcal
     * @param string $name    empty: as it calls itself
     * @param bool   $busy    whether its events take the person's hours
     */
    public function __construct(
        #[\SensitiveParameter]
        #[Assert\NotBlank(message: 'Write the address at which it is read.', normalizer: 'trim')]
        #[Assert\Length(max: 4000)]
        public string $address,
        #[Assert\Length(max: 200)]
        public string $name = '',
        public bool $busy = true,
    ) {
    }
}
