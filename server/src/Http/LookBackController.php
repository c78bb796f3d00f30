<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\Week\KeepLookBack;
use ZippyTray\Core\Agenda\Week\Stop;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Agenda\WeekLook;

/**
 * Looking back over a week.
 */
#[Route('/api/look-back')]
final readonly class LookBackController
{
    public function __construct(private KeepLookBack $keep)
    {
    }

    #[Route('', methods: 'GET')]
    public function show(#[CurrentUser] Account $account, WeekLook $look): JsonResponse
    {
        return new JsonResponse($look->of($account));
    }

    #[Route('/{week}/stops/{stop}', methods: 'PUT')]
    public function goTo(#[CurrentUser] Account $account, string $week, Stop $stop): JsonResponse
    {
        $this->keep->goTo($account->id, LocalDate::parse($week), $stop);

        return new JsonResponse(status: JsonResponse::HTTP_NO_CONTENT);
    }

    #[Route('/{week}/end', methods: 'PUT')]
    public function end(#[CurrentUser] Account $account, string $week): JsonResponse
    {
        $this->keep->end($account->id, LocalDate::parse($week));

        return new JsonResponse(status: JsonResponse::HTTP_NO_CONTENT);
    }
}
