<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\SignIn;

use ZippyTray\Core\InStep\Security;

/**
 * A provider of mailboxes with whom one signs in on a page of its own (OAuth 2, RFC 6749).
 *
 * @phpstan-import-type Server from \ZippyTray\Core\InStep\ServerNames
 */
final readonly class Provider
{
    /**
     * @param list<string> $domains   of the addresses, in small letters
     * @param string       $authorize where the person signs in (RFC 6749, 3.1)
     * @param string       $token     where tokens are given (RFC 6749, 3.2)
     * @param string       $client    by which the provider knows this program
     * @param string       $secret    empty: it is a public client, and the code's verifier (RFC 7636) is all
     * @param list<string> $scopes
     * @param Server|null  $imap      null: where it is said or usual
     * @param Server|null  $smtp      the same
     */
    private function __construct(
        public string $name,
        public array $domains,
        public string $authorize,
        public string $token,
        public string $client,
        #[\SensitiveParameter]
        public string $secret,
        public array $scopes,
        public ?array $imap,
        public ?array $smtp,
    ) {
    }

    /**
     * @param array<mixed> $one as it is written in the file
     *
     * @throws \InvalidArgumentException with a sentence that says what is wrong with it
     */
    public static function of(array $one): self
    {
        $text = static fn (string $name): string => \is_string($one[$name] ?? null) && '' !== trim($one[$name])
            ? trim($one[$name])
            : throw new \InvalidArgumentException("A provider has no {$name}.");
        $list = static fn (string $name): array => array_values(array_filter(
            \is_array($one[$name] ?? null) ? $one[$name] : [],
            \is_string(...),
        ));
        foreach (['authorize', 'token'] as $name) {
            if (1 !== preg_match('~^(?:https://|http://(?:127\.0\.0\.1|localhost|\[::1\])[:/])~', $text($name))) {
                throw new \InvalidArgumentException("{$name} of a provider is an https address.");
            }
        }

        return new self(
            $text('name'),
            array_map(strtolower(...), $list('domains')),
            $text('authorize'),
            $text('token'),
            $text('client'),
            \is_string($one['secret'] ?? null) ? $one['secret'] : '',
            $list('scopes'),
            self::server($one['imap'] ?? null, 993),
            self::server($one['smtp'] ?? null, 465),
        );
    }

    /** @return Server|null */
    private static function server(mixed $one, int $port): ?array
    {
        if (!\is_array($one) || !\is_string($one['host'] ?? null)) {
            return null;
        }
        $security = \is_string($one['security'] ?? null) ? $one['security'] : 'tls';

        return [
            'host' => $one['host'],
            'port' => \is_int($one['port'] ?? null) ? $one['port'] : $port,
            'security' => Security::tryFrom($security) ?? throw new \InvalidArgumentException('security is tls, starttls or plain.'),
        ];
    }
}
