<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

/**
 * What a provider has given so that this program may sign in to a mailbox in the person's name (OAuth 2, RFC 6749).
 *
 * @phpstan-type GrantState array{provider: string, access: string, refresh: string, expires: int}
 */
final readonly class Grant
{
    /** Seconds before its end from which on an access token counts as over. */
    private const EARLY = 120;

    /**
     * @param string $provider the name of the provider
     * @param string $refresh  refresh token; empty: there is none, and the person signs in anew when it is over
     * @param int    $expires  when the access token is over, a Unix time; 0: that was not said
     */
    public function __construct(
        public string $provider,
        #[\SensitiveParameter]
        public string $access,
        #[\SensitiveParameter]
        public string $refresh,
        public int $expires,
    ) {
    }

    /** @param int $now Unix time */
    public function isOver(int $now): bool
    {
        return 0 !== $this->expires && $this->expires - self::EARLY <= $now;
    }

    /** @return GrantState */
    public function state(): array
    {
        return ['provider' => $this->provider, 'access' => $this->access, 'refresh' => $this->refresh, 'expires' => $this->expires];
    }

    /** @param GrantState $state */
    public static function fromState(#[\SensitiveParameter] array $state): self
    {
        return new self($state['provider'], $state['access'], $state['refresh'], $state['expires']);
    }
}
