<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\Day\KeepDays;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Agenda\KeystoneChoice;
use ZippyTray\Server\Read\Agenda\DayAsks;
use ZippyTray\Server\Read\Journal\EntryRows;

/**
 * A day as it is laid out in the morning and looked back at in the evening.
 */
#[Route('/api')]
final readonly class RitualController
{
    public function __construct(private KeepDays $days)
    {
    }

    #[Route('/rituals/morning', methods: 'GET')]
    public function morning(#[CurrentUser] Account $account, DayAsks $asks): JsonResponse
    {
        return new JsonResponse($asks->morning($account));
    }

    #[Route('/rituals/evening', methods: 'GET')]
    public function evening(#[CurrentUser] Account $account, DayAsks $asks): JsonResponse
    {
        return new JsonResponse($asks->evening($account));
    }

    #[Route('/agenda-days/{day}/keystone', methods: 'PUT')]
    public function keystone(
        #[CurrentUser]
        Account $account,
        string $day,
        #[MapRequestPayload]
        KeystoneChoice $choice,
        EntryRows $entries,
    ): JsonResponse {
        return new JsonResponse($entries->of($this->days->choose(
            $account->id,
            new EntryId($choice->entry),
            LocalDate::parse($day),
            null === $choice->task ? null : new TaskId($choice->task),
        )));
    }

    #[Route('/agenda-days/{day}/laid-out', methods: 'PUT')]
    public function laidOut(#[CurrentUser] Account $account, string $day): JsonResponse
    {
        $this->days->laidOut($account->id, LocalDate::parse($day));

        return new JsonResponse(status: JsonResponse::HTTP_NO_CONTENT);
    }

    #[Route('/agenda-days/{day}/closed', methods: 'PUT')]
    public function closed(#[CurrentUser] Account $account, string $day): JsonResponse
    {
        $this->days->closed($account->id, LocalDate::parse($day));

        return new JsonResponse(status: JsonResponse::HTTP_NO_CONTENT);
    }
}
