<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Heartbeat;

final readonly class HeartbeatController
{
    #[Route('/api/heartbeat', methods: 'GET')]
    public function __invoke(#[CurrentUser] Account $account, Request $request, Heartbeat $heartbeat): Response
    {
        $seen = $request->headers->get('If-None-Match') ?? '';
        if ($heartbeat->isCurrent($account, $seen)) {
            return new Response(status: Response::HTTP_NOT_MODIFIED, headers: ['ETag' => $seen]);
        }
        ['tag' => $tag, 'body' => $body] = $heartbeat->of($account);

        return new JsonResponse($body, headers: ['ETag' => $tag]);
    }
}
