<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\LaySlots;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Agenda\NewSlots;
use ZippyTray\Server\Http\Payload\Agenda\SlotMoves;
use ZippyTray\Server\Http\Payload\Agenda\SomeSlots;
use ZippyTray\Server\Read\Agenda\AgendaDays;
use ZippyTray\Server\Read\Agenda\AgendaWays;
use ZippyTray\Server\Read\Agenda\WhatCameIn;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * The days, and what lies on them.
 */
#[Route('/api', requirements: ['id' => Requirement::UUID])]
final readonly class AgendaController
{
    public function __construct(private LaySlots $lay, private EntryRows $entries, private ClockInterface $clock)
    {
    }

    #[Route('/agenda', methods: 'GET')]
    public function days(
        #[CurrentUser]
        Account $account,
        AgendaDays $agenda,
        #[MapQueryParameter]
        ?string $from = null,
        #[MapQueryParameter]
        int $days = 7,
    ): JsonResponse {
        $first = null === $from ? $this->speaker($account)->now->date() : LocalDate::parse($from);

        return new JsonResponse($agenda->of($account, $first, max(1, min($days, AgendaDays::MOST))));
    }

    /** How the days from today on stand. */
    #[Route('/balances', methods: 'GET')]
    public function balances(#[CurrentUser] Account $account, AgendaDays $agenda, #[MapQueryParameter] int $count = 14): JsonResponse
    {
        return new JsonResponse($agenda->balance($account, max(1, min($count, AgendaDays::MOST))));
    }

    /** How much of the hours could be kept free, by what came in of late. */
    #[Route('/share-kept-free', methods: 'GET')]
    public function share(#[CurrentUser] Account $account, WhatCameIn $cameIn): JsonResponse
    {
        return new JsonResponse($cameIn->of($account));
    }

    /** What can be done about a task, or a slot, that does not fit. */
    #[Route('/ways/{id}', methods: 'GET')]
    public function ways(#[CurrentUser] Account $account, string $id, AgendaWays $ways): JsonResponse
    {
        return new JsonResponse($ways->of($account, $id));
    }

    #[Route('/slots', methods: 'POST')]
    public function put(#[CurrentUser] Account $account, #[MapRequestPayload] NewSlots $new): JsonResponse
    {
        return $this->answer($this->lay->put($account->id, new EntryId($new->entry), $new->slots($this->speaker($account))));
    }

    #[Route('/slots/moves', methods: 'POST')]
    public function move(#[CurrentUser] Account $account, #[MapRequestPayload] SlotMoves $moves): JsonResponse
    {
        return $this->answer($this->lay->move($account->id, new EntryId($moves->entry), $moves->moves($this->speaker($account))));
    }

    #[Route('/slots/removals', methods: 'POST')]
    public function drop(#[CurrentUser] Account $account, #[MapRequestPayload] SomeSlots $slots): JsonResponse
    {
        return $this->answer($this->lay->drop($account->id, new EntryId($slots->entry), $slots->ids()));
    }

    private function speaker(Account $account): Speaker
    {
        return $account->profile->speaker($this->clock->now());
    }

    private function answer(Entry $entry): JsonResponse
    {
        return new JsonResponse($this->entries->of($entry));
    }
}
