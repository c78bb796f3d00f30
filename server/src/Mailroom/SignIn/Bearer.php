<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\SignIn;

/**
 * What is said to a mail server that takes an access token: SASL OAUTHBEARER (RFC 7628).
 */
final readonly class Bearer
{
    /** The answer to what is wrong with a token (RFC 7628, 3.2.3). */
    public const NOTHING = "\x01";

    /** The client's first response (RFC 7628, 3.1), not encoded yet. */
    public static function response(string $user, string $host, int $port, #[\SensitiveParameter] string $token): string
    {
        // RFC 5801, 4: in a name "," and "=" are written otherwise.
        $name = strtr($user, ['=' => '=3D', ',' => '=2C']);

        return "n,a={$name},\x01host={$host}\x01port={$port}\x01auth=Bearer {$token}\x01\x01";
    }
}
