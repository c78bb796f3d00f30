<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\InStep\Security;

final readonly class ServerFields
{
    public function __construct(
        #[Assert\Length(max: 253)]
        public string $host,
        #[Assert\Range(min: 0, max: 65535)]
        public int $port,
        public Security $security,
    ) {
    }

    /** @return array{string, int, Security} */
    public function server(): array
    {
        return [trim($this->host), $this->port, $this->security];
    }
}
