<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Tray\Clear;
use ZippyTray\Core\Tray\Clearing;
use ZippyTray\Core\Tray\Clearings;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Tray\NewClearing;
use ZippyTray\Server\Read\Counts;
use ZippyTray\Server\Read\Tray\Clearings as ClearingViews;

#[Route('/api/clearings', requirements: ['id' => Requirement::UUID])]
final readonly class ClearingController
{
    public function __construct(private Clear $clear, private Clearings $clearings, private ClearingViews $views)
    {
    }

    #[Route('', methods: 'POST')]
    public function begin(#[CurrentUser] Account $account, #[MapRequestPayload] NewClearing $new, Counts $counts): JsonResponse
    {
        return $this->answer(
            $this->clear->begin($account->id, new ClearingId($new->id), $new->order, static fn (): int => $counts->of($account)->tray),
            201,
        );
    }

    #[Route('/{id}', methods: 'GET')]
    public function show(#[CurrentUser] Account $account, string $id): JsonResponse
    {
        return $this->answer($this->clearings->get($account->id, new ClearingId($id)));
    }

    #[Route('/{id}/end', methods: 'PUT')]
    public function end(#[CurrentUser] Account $account, string $id): JsonResponse
    {
        return $this->answer($this->clear->end($account->id, new ClearingId($id)));
    }

    private function answer(Clearing $clearing, int $status = 200): JsonResponse
    {
        return new JsonResponse($this->views->of($clearing), $status);
    }
}
