<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Http\Payload\Account\NewAccount;
use ZippyTray\Server\Http\Payload\Account\NewPassword;
use ZippyTray\Server\Store\SessionStore;

final readonly class SessionController
{
    public function __construct(private SessionState $state, private Accounts $accounts, private Security $security)
    {
    }

    #[Route('/api/session', methods: 'GET')]
    public function show(#[CurrentUser] ?Account $account): JsonResponse
    {
        return $this->state->response($account);
    }

    /** Answered by the firewall; what arrives here was no sign-in in JSON. */
    #[Route('/api/sign-in', name: 'sign_in', methods: 'POST')]
    public function open(): JsonResponse
    {
        return Problem::of(Response::HTTP_BAD_REQUEST, 'The request could not be understood. Reload the page, then try again.');
    }

    #[Route('/api/session', methods: 'DELETE')]
    public function close(#[CurrentUser] ?Account $account): Response
    {
        if (null !== $account) {
            $this->security->logout(false);
        }

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    #[Route('/api/sessions', methods: 'GET')]
    public function all(#[CurrentUser] Account $account, Request $request, SessionStore $sessions): JsonResponse
    {
        return new JsonResponse($sessions->of($account, $request->getSession()->getId()));
    }

    #[Route('/api/sessions/{id}', requirements: ['id' => '[0-9a-f]{64}'], methods: 'DELETE')]
    public function end(#[CurrentUser] Account $account, string $id, SessionStore $sessions): Response
    {
        if (!$sessions->end($account, $id)) {
            throw new NotFound('session', $id);
        }

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    /** Whoever knew the old one is signed out. */
    #[Route('/api/password', methods: 'PUT')]
    public function changePassword(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        NewPassword $new,
        Request $request,
        SessionStore $sessions,
    ): Response {
        $this->accounts->changePassword($account, $new->present, $new->new);
        $sessions->endOthers($account, $request->getSession()->getId());

        return new Response(status: Response::HTTP_NO_CONTENT);
    }

    #[Route('/api/accounts', methods: 'POST')]
    public function make(#[MapRequestPayload] NewAccount $new): JsonResponse
    {
        $account = $this->accounts->openFirst($new->word, trim($new->email), trim($new->name), $new->zone, $new->password);
        $this->security->login($account, 'json_login', 'main');

        return $this->state->response($account, Response::HTTP_CREATED);
    }
}
