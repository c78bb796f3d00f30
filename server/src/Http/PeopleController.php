<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\People;

final readonly class PeopleController
{
    private const MOST = 500;

    #[Route('/api/people', methods: 'GET')]
    public function __invoke(#[CurrentUser] Account $account, People $people, #[MapQueryParameter] string $words = '', #[MapQueryParameter] int $count = 8): JsonResponse
    {
        return new JsonResponse($people->known($account, $words, max(1, min($count, self::MOST))));
    }
}
