<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class MailboxAddress
{
    public function __construct(
        #[Assert\Length(max: 320)]
        public string $address,
    ) {
    }
}
