<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Coming\Days;

/**
 * What the coming days hold.
 */
#[Route('/api/days', methods: 'GET')]
final readonly class DayController
{
    private const MOST = 60;

    public function __construct(private Days $days)
    {
    }

    #[Route('', methods: 'GET')]
    public function glance(#[CurrentUser] Account $account, #[MapQueryParameter] int $count = 14): JsonResponse
    {
        return new JsonResponse($this->days->glance($account, max(1, min($count, self::MOST))));
    }

    #[Route('/{date}', methods: 'GET')]
    public function one(#[CurrentUser] Account $account, string $date): JsonResponse
    {
        return new JsonResponse($this->days->one($account, LocalDate::parse($date)));
    }
}
