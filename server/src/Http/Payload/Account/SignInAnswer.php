<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * With what a provider has led back (RFC 6749, 4.1.2).
 */
final readonly class SignInAnswer
{
    /**
     * @param string $code  empty when the person was not let in, or did not want to be
     * @param string $error one of RFC 6749, 4.1.2.1; empty when there is a code
     */
    public function __construct(
        #[Assert\Length(max: 500)]
        public string $state,
        #[Assert\Length(max: 4000), \SensitiveParameter]
        public string $code = '',
        #[Assert\Length(max: 200)]
        public string $error = '',
    ) {
    }
}
