<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Agenda\Subscription\CalendarAddress;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Calendar\Subscription\Subscriptions;
use ZippyTray\Server\Http\Payload\Agenda\NewSubscription;
use ZippyTray\Server\Http\Payload\Agenda\SubscriptionChange;

/**
 * Calendars of others that are shown among the days. Each answer is all of them.
 */
#[Route('/api/subscriptions', requirements: ['id' => Requirement::UUID])]
final readonly class SubscriptionController
{
    public function __construct(private Subscriptions $subscriptions)
    {
    }

    #[Route('', methods: 'GET')]
    public function all(#[CurrentUser] Account $account): JsonResponse
    {
        return new JsonResponse(['subscriptions' => $this->subscriptions->of($account)]);
    }

    #[Route('/{id}', methods: 'PUT')]
    public function add(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] NewSubscription $new): JsonResponse
    {
        $this->subscriptions->add($account, $id, CalendarAddress::parse($new->address), trim($new->name), $new->busy);

        return new JsonResponse(['subscriptions' => $this->subscriptions->of($account)], Response::HTTP_CREATED);
    }

    #[Route('/{id}/changes', methods: 'POST')]
    public function change(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] SubscriptionChange $change): JsonResponse
    {
        $this->subscriptions->change($account, $id, trim($change->name), $change->busy);

        return $this->all($account);
    }

    /** It is read as soon as can be. */
    #[Route('/{id}/readings', methods: 'POST')]
    public function wish(#[CurrentUser] Account $account, string $id): JsonResponse
    {
        $this->subscriptions->wish($account, $id);

        return $this->all($account);
    }

    #[Route('/{id}', methods: 'DELETE')]
    public function remove(#[CurrentUser] Account $account, string $id): JsonResponse
    {
        $this->subscriptions->remove($account, $id);

        return $this->all($account);
    }
}
