<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Owed\SettleOwed;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Post\OwedMove;
use ZippyTray\Server\Http\Payload\Post\OwedSettling;
use ZippyTray\Server\Http\Payload\Post\OwedTakeUp;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Post\OwedRows;

/**
 * What others owe.
 */
#[Route('/api/owed', requirements: ['id' => Requirement::UUID])]
final readonly class OwedController
{
    public function __construct(private SettleOwed $settle, private EntryRows $entries)
    {
    }

    #[Route('', methods: 'GET')]
    public function all(#[CurrentUser] Account $account, OwedRows $rows): JsonResponse
    {
        return new JsonResponse($rows->of($account));
    }

    #[Route('/{id}/settle', methods: 'POST')]
    public function settle(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] OwedSettling $request): JsonResponse
    {
        return $this->entry($this->settle->settle($account->id, new EntryId($request->entry), $id, OwedState::from($request->as)));
    }

    #[Route('/{id}/move', methods: 'POST')]
    public function move(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        OwedMove $request,
        ClockInterface $clock,
    ): JsonResponse {
        return $this->entry($this->settle->move(
            $account->id,
            new EntryId($request->entry),
            $id,
            $request->until->moment($account->profile->speaker($clock->now()), 'until'),
        ));
    }

    #[Route('/{id}/take-up', methods: 'POST')]
    public function takeUp(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapRequestPayload]
        OwedTakeUp $request,
        ClockInterface $clock,
    ): JsonResponse {
        return $this->entry($this->settle->takeUp(
            $account->id,
            new EntryId($request->entry),
            $id,
            $request->until->moment($account->profile->speaker($clock->now()), 'until'),
            $request->conversation?->claim(),
            ClearingId::orNull($request->clearing),
        ));
    }

    private function entry(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry));
    }
}
