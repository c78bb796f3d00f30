<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

final readonly class NewPassword
{
    public function __construct(
        #[\SensitiveParameter]
        public string $present,
        #[\SensitiveParameter]
        public string $new,
    ) {
    }
}
