<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class NewAccount
{
    public function __construct(
        #[Assert\NotBlank(message: 'What is your name?', normalizer: 'trim')]
        #[Assert\Length(max: 200, maxMessage: 'A name can have {{ limit }} characters at most.')]
        public string $name,
        #[Assert\NotBlank(message: 'Which address does your mail come to?', normalizer: 'trim'),
            Assert\Email(message: 'This is not an email address.', normalizer: 'trim')]
        public string $email,
        #[\SensitiveParameter]
        public string $password,
        #[Assert\Length(max: 100)]
        public string $zone,
        #[\SensitiveParameter, Assert\Length(max: 100)]
        public string $word,
    ) {
    }
}
