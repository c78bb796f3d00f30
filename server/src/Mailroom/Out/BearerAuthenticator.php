<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Out;

use Symfony\Component\Mailer\Transport\Smtp\Auth\AuthenticatorInterface;
use Symfony\Component\Mailer\Transport\Smtp\EsmtpTransport;
use ZippyTray\Server\Mailroom\SignIn\Bearer;

/**
 * Signs in to an SMTP server with an access token (RFC 4954 with RFC 7628).
 */
final readonly class BearerAuthenticator implements AuthenticatorInterface
{
    public function __construct(private string $host, private int $port)
    {
    }

    public function getAuthKeyword(): string
    {
        return 'OAUTHBEARER';
    }

    public function authenticate(EsmtpTransport $client): void
    {
        $response = Bearer::response($client->getUsername(), $this->host, $this->port, $client->getPassword());
        $client->executeCommand('AUTH OAUTHBEARER '.base64_encode($response)."\r\n", [235]);
    }
}
