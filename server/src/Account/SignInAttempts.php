<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\RateLimiter\RequestRateLimiterInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\RateLimiter\RateLimit;
use Symfony\Component\RateLimiter\RateLimiterFactory;
use Symfony\Component\Security\Http\RateLimiter\DefaultLoginRateLimiter;

/**
 * Counts an attempt to sign in when it begins, each under a lock, and forgets them when one succeeds. Counted only when
 * it has failed, many at once would all be let in.
 */
final readonly class SignInAttempts implements RequestRateLimiterInterface
{
    private DefaultLoginRateLimiter $inner;

    public function __construct(
        #[Autowire(service: 'limiter.sign_in_from_a_place')]
        RateLimiterFactory $ofPlace,
        #[Autowire(service: 'limiter.sign_in_to_an_account')]
        RateLimiterFactory $toAccount,
        #[Autowire('%env(ZIPPY_SECRET)%'), \SensitiveParameter]
        string $secret,
    ) {
        \assert('' !== $secret);
        $this->inner = new DefaultLoginRateLimiter($ofPlace, $toAccount, $secret);
    }

    public function consume(Request $request): RateLimit
    {
        return $this->inner->consume($request);
    }

    public function reset(Request $request): void
    {
        $this->inner->reset($request);
    }
}
