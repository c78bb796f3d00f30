<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use ZippyTray\Core\InStep\Security;
use ZippyTray\Core\Refused;

/**
 * Where a mailbox is: the server that keeps it (IMAP), the one by which its mail goes out (SMTP), and who signs in there.
 *
 * @phpstan-import-type GrantState from Grant
 *
 * @phpstan-type MailServerState array{
 *     imap: array{string, int, string}, smtp: array{string, int, string}, user: string, password: string, authority: string,
 *     grant?: GrantState|null
 * }
 */
final readonly class MailServer
{
    /**
     * @param array{string, int, Security} $imap      host, port and security
     * @param array{string, int, Security} $smtp      the same; no host: mail goes out another way
     * @param string                       $password  empty when a provider gave a grant
     * @param string                       $authority certificates of an own authority, PEM; empty: those that the system trusts
     * @param Grant|null                   $grant     by which is signed in instead of by a password
     *
     * @throws Refused when one of them cannot be
     */
    public function __construct(
        public array $imap,
        public array $smtp,
        public string $user,
        #[\SensitiveParameter]
        public string $password,
        public string $authority = '',
        public ?Grant $grant = null,
    ) {
        foreach (['imap' => $imap, 'smtp' => $smtp] as $name => [$host, $port, $security]) {
            if ('smtp' === $name && '' === $host) {
                continue;
            }
            if (1 !== preg_match('/^(?:[\w.-]{1,253}|\[[0-9a-f:.]{2,45}\])$/iD', $host)) {
                throw new Refused('The name of the server, without anything before or behind it: mail.firm.example.', $name.'Host');
            }
            if ($port < 1 || $port > 65535) {
                throw new Refused('A port is a number from 1 to 65535.', $name.'Port');
            }
            if (Security::Plain === $security && !self::isLoopback($host)) {
                throw new Refused(
                    'Without encryption your password and your mail could be read on the way: that is possible only to a server on '
                        .'the same machine.',
                    $name.'Security',
                );
            }
        }
        if ('' === $user || 1 === preg_match('/[\x00-\x1f\x7f]/', $user.$password)) {
            throw new Refused('With which name do you sign in there?', 'user');
        }
        if ('' !== $authority && !str_contains($authority, '-----BEGIN CERTIFICATE-----')) {
            throw new Refused('These are no certificates: the text of one begins with -----BEGIN CERTIFICATE-----.', 'authority');
        }
    }

    public static function isLoopback(string $host): bool
    {
        return 1 === preg_match('/^(?:localhost|127(?:\.\d{1,3}){3}|\[?::1\]?)$/iD', $host);
    }

    /** The same with a password, or with what a provider has given instead. */
    public function with(#[\SensitiveParameter] string|Grant $secret): self
    {
        [$password, $grant] = \is_string($secret) ? [$secret, null] : ['', $secret];

        return new self($this->imap, $this->smtp, $this->user, $password, $this->authority, $grant);
    }

    /** What is said to the server to prove who signs in: the password, or the access token. */
    public function secret(): string
    {
        return $this->grant->access ?? $this->password;
    }

    /** @return string as it is kept: sealed */
    public function sealed(): string
    {
        return Seal::close(json_encode([
            'imap' => [$this->imap[0], $this->imap[1], $this->imap[2]->value],
            'smtp' => [$this->smtp[0], $this->smtp[1], $this->smtp[2]->value],
            'user' => $this->user,
            'password' => $this->password,
            'authority' => $this->authority,
            'grant' => $this->grant?->state(),
        ], \JSON_THROW_ON_ERROR));
    }

    /** @return self|null null when it cannot be opened any more, since the key is another one */
    public static function unsealed(#[\SensitiveParameter] string $sealed): ?self
    {
        $text = Seal::open($sealed);
        if ('' === $text) {
            return null;
        }
        /** @var MailServerState $state */
        $state = json_decode($text, true, 8, \JSON_THROW_ON_ERROR);
        [$imap, $smtp] = [$state['imap'], $state['smtp']];

        return new self(
            [$imap[0], $imap[1], Security::from($imap[2])],
            [$smtp[0], $smtp[1], Security::from($smtp[2])],
            $state['user'],
            $state['password'],
            $state['authority'],
            isset($state['grant']) ? Grant::fromState($state['grant']) : null,
        );
    }
}
