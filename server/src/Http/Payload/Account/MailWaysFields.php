<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class MailWaysFields
{
    public function __construct(
        #[Assert\Choice(['none', 'post_room', 'smtp'])]
        public string $out,
        #[Assert\Choice(['none', 'post_room', 'maildir'])]
        public string $in,
        #[Assert\Length(max: 1000), \SensitiveParameter]
        public string $dsn = '',
        #[Assert\Length(max: 1000)]
        public string $folder = '',
        public bool $plain = false,
    ) {
    }
}
