<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\SignIn;

use GuzzleHttp\Client;
use GuzzleHttp\Exception\TransferException;
use League\OAuth2\Client\Provider\AbstractProvider;
use League\OAuth2\Client\Provider\Exception\IdentityProviderException;
use League\OAuth2\Client\Provider\GenericProvider;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Grant;
use ZippyTray\Server\Mailroom\Imap\NotSignedIn;
use ZippyTray\Server\Mailroom\In\NotReached;

/**
 * Asks a provider for what is needed to sign in in somebody's name: an authorization code with its verifier (RFC 6749, 4.1; RFC 7636),
 * and later on a new access token (RFC 6749, 6).
 */
final readonly class AskForGrant
{
    /** What does not become better by itself (RFC 6749, 5.2). */
    private const FINAL = ['invalid_grant', 'invalid_client', 'unauthorized_client', 'unsupported_grant_type', 'invalid_scope'];

    /** Seconds. */
    private const PATIENCE = 20;

    public function __construct(private ClockInterface $clock)
    {
    }

    /**
     * @param string $back  where the provider leads back to
     * @param string $login the address with which is signed in there
     *
     * @return array{url: string, state: string, verifier: string} where the person signs in; what proves that the answer is to this
     */
    public function begin(Provider $at, string $back, string $login): array
    {
        $client = self::client($at, $back);
        $url = $client->getAuthorizationUrl(['scope' => implode(' ', $at->scopes), 'login_hint' => $login]);

        return ['url' => $url, 'state' => $client->getState(), 'verifier' => (string) $client->getPkceCode()];
    }

    /**
     * @param string $verifier what belongs to the code (RFC 7636, 4.5)
     *
     * @throws Refused when the provider does not take the code
     */
    public function finish(
        Provider $at,
        string $back,
        #[\SensitiveParameter]
        string $code,
        #[\SensitiveParameter]
        string $verifier,
    ): Grant {
        $client = self::client($at, $back);
        $client->setPkceCode($verifier);
        try {
            return $this->grant($at, $client, 'authorization_code', ['code' => $code], '');
        } catch (NotSignedIn|NotReached $problem) {
            throw new Refused($problem->getMessage(), 'address');
        }
    }

    /**
     * @throws NotSignedIn when the person has to sign in there anew
     * @throws NotReached
     */
    public function renew(Provider $at, Grant $grant): Grant
    {
        if ('' === $grant->refresh) {
            throw new NotSignedIn(self::anew($at->name));
        }

        return $this->grant($at, self::client($at, ''), 'refresh_token', ['refresh_token' => $grant->refresh], $grant->refresh);
    }

    public static function anew(string $provider): string
    {
        return "{$provider} does not let this program in any more: sign in there anew.";
    }

    /**
     * @param array<string, string> $with
     * @param string                $refresh the one that goes on to hold when no other one is given (RFC 6749, 6)
     */
    private function grant(Provider $at, AbstractProvider $client, string $kind, #[\SensitiveParameter] array $with, string $refresh): Grant
    {
        $now = $this->clock->now()->getTimestamp();
        try {
            $token = $client->getAccessToken($kind, $with);
        } catch (IdentityProviderException $problem) {
            // What it says besides is for whoever runs this program, and may name what was sent.
            $body = $problem->getResponseBody();
            $isFinal = \is_array($body) && \in_array($body['error'] ?? null, self::FINAL, true);
            throw $isFinal ? new NotSignedIn(self::anew($at->name)) : self::notAsked($at);
        } catch (TransferException|\UnexpectedValueException|\InvalidArgumentException) {
            throw self::notAsked($at);
        }
        $seconds = $token->getValues()['expires_in'] ?? null;
        $expires = $token->getExpires();

        return new Grant(
            $at->name,
            $token->getToken(),
            $token->getRefreshToken() ?? $refresh,
            match (true) {
                is_numeric($seconds) => $now + (int) $seconds,
                null === $expires => 0,
                // The library reckons from its own clock.
                default => $now + max(0, $expires - time()),
            },
        );
    }

    private static function notAsked(Provider $at): NotReached
    {
        return new NotReached("{$at->name} could not be asked, or did not answer in a way that is understood.");
    }

    private static function client(Provider $at, string $back): GenericProvider
    {
        return new GenericProvider([
            'clientId' => $at->client,
            'clientSecret' => $at->secret,
            'redirectUri' => $back,
            'urlAuthorize' => $at->authorize,
            'urlAccessToken' => $at->token,
            'urlResourceOwnerDetails' => $at->token,
            'pkceMethod' => AbstractProvider::PKCE_METHOD_S256,
        ], ['httpClient' => new Client(['timeout' => self::PATIENCE, 'connect_timeout' => self::PATIENCE, 'allow_redirects' => false])]);
    }
}
