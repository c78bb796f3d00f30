<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\RequestStack;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Grant;
use ZippyTray\Server\Account\Seal;
use ZippyTray\Server\Http\Payload\Account\SignInAnswer;
use ZippyTray\Server\Mailroom\SignIn\AskForGrant;
use ZippyTray\Server\Mailroom\SignIn\Providers;

/**
 * Signing in at the provider of a mailbox, from the moment at which the person is led there until the mailbox is connected. What belongs
 * to it is kept in the session of this browser, sealed.
 *
 * @phpstan-import-type GrantState from Grant
 *
 * @phpstan-type Pending array{
 *     account: string, address: string, provider: string, back: string, state: string, verifier: string, until: int, grant: GrantState|null
 * }
 */
final readonly class MailSignIns
{
    private const KEY = 'mail_sign_in';

    /** The page to which the provider leads back. */
    public const BACK = '/mail-sign-in';

    /** Seconds. */
    private const LASTS = 1800;

    public function __construct(
        private RequestStack $requests,
        private Providers $providers,
        private AskForGrant $ask,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string $here the address of this program, without a path
     *
     * @return string where the person signs in
     *
     * @throws Refused when the address has no such provider
     */
    public function begin(Account $account, string $address, string $here): string
    {
        $provider = $this->providers->of($address) ?? throw new Refused('For this address a password is needed.', 'address');
        $back = $here.self::BACK;
        ['url' => $url, 'state' => $state, 'verifier' => $verifier] = $this->ask->begin($provider, $back, trim($address));
        $this->keep([
            'account' => $account->id->text,
            'address' => mb_strtolower(trim($address)),
            'provider' => $provider->name,
            'back' => $back,
            'state' => $state,
            'verifier' => $verifier,
            'until' => $this->clock->now()->getTimestamp() + self::LASTS,
            'grant' => null,
        ]);

        return $url;
    }

    /**
     * @return array{address: string, provider: string} where was signed in
     *
     * @throws Refused when it is no answer to what was begun here, or nobody was let in
     */
    public function answer(Account $account, SignInAnswer $answer): array
    {
        $pending = $this->pending($account);
        if (null === $pending || null !== $pending['grant'] || !hash_equals($pending['state'], $answer->state)) {
            throw new Refused('That was not begun here, or too long ago: sign in once more.', 'address');
        }
        $provider = $this->providers->named($pending['provider']);
        // A code and a state are good for one time.
        $this->keep(null);
        if (null === $provider || '' === $answer->code) {
            throw new Refused("{$pending['provider']} did not let this program in.", 'address');
        }
        $grant = $this->ask->finish($provider, $pending['back'], $answer->code, $pending['verifier']);
        $this->keep(['grant' => $grant->state(), 'verifier' => '', 'state' => ''] + $pending);

        return ['address' => $pending['address'], 'provider' => $provider->name];
    }

    /** @throws Refused when nobody has signed in for this address */
    public function grant(Account $account, string $address): Grant
    {
        $pending = $this->pending($account);
        if (null === $pending || null === $pending['grant'] || $pending['address'] !== mb_strtolower(trim($address))) {
            throw new Refused('That was too long ago: sign in once more.', 'address');
        }

        return Grant::fromState($pending['grant']);
    }

    /** @return Pending|null */
    private function pending(Account $account): ?array
    {
        $session = $this->requests->getSession();
        $sealed = $session->get(self::KEY);
        // Others of this browser need not wait for what is done now.
        $session->save();
        $text = \is_string($sealed) ? Seal::open($sealed) : '';
        if ('' === $text) {
            return null;
        }
        /** @var Pending $pending */
        $pending = json_decode($text, true, 8, \JSON_THROW_ON_ERROR);

        return $pending['account'] === $account->id->text && $pending['until'] > $this->clock->now()->getTimestamp() ? $pending : null;
    }

    /** @param Pending|null $pending */
    private function keep(#[\SensitiveParameter] ?array $pending): void
    {
        $session = $this->requests->getSession();
        if (null === $pending) {
            $session->remove(self::KEY);
        } else {
            $session->set(self::KEY, Seal::close(json_encode($pending, \JSON_THROW_ON_ERROR)));
        }
        $session->save();
    }
}
