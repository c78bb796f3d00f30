<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authentication\AuthenticationFailureHandlerInterface;
use Symfony\Component\Security\Http\Authentication\AuthenticationSuccessHandlerInterface;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Tray\EmptyBin;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;

/**
 * What a person is told when signing in works, does not work, or is needed.
 */
final readonly class SignInAnswers implements
    AuthenticationSuccessHandlerInterface,
    AuthenticationFailureHandlerInterface,
    AuthenticationEntryPointInterface
{
    public function __construct(private SessionState $session, private Accounts $accounts, private EmptyBin $emptyBin, private Ids $ids)
    {
    }

    public function onAuthenticationSuccess(Request $request, TokenInterface $token): Response
    {
        $account = $token->getUser();
        \assert($account instanceof Account);
        $this->emptyBin->expired($account->id, new EntryId($this->ids->next()));

        return $this->session->response($account);
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        if ($exception->getPrevious() instanceof UserNotFoundException) {
            $this->accounts->takeAsLong($request->getPayload()->getString('password'));
        }

        return $exception instanceof TooManyLoginAttemptsAuthenticationException
            ? Problem::of(Response::HTTP_TOO_MANY_REQUESTS, 'Too many attempts. Wait a minute, then try again.')
            : Problem::of(Response::HTTP_UNAUTHORIZED, 'This address and password do not belong together.');
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return Problem::of(Response::HTTP_UNAUTHORIZED, 'You are signed out. Sign in to go on; nothing that you typed is lost.');
    }
}
