<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Coming\Coming;

final readonly class ComingController
{
    /**
     * @param string $kinds of Coming::KINDS, separated by commas
     * @param string $after `next` of the part before
     */
    #[Route('/api/coming', methods: 'GET')]
    public function __invoke(
        #[CurrentUser]
        Account $account,
        Coming $coming,
        #[MapQueryParameter]
        ?string $kinds = null,
        #[MapQueryParameter]
        string $after = '',
    ): JsonResponse {
        return new JsonResponse($coming->of($account, null === $kinds ? Coming::KINDS : explode(',', $kinds), $after));
    }
}
