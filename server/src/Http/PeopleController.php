<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\People\People;
use ZippyTray\Server\Read\Post\OwedRows;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Ports\ContactStore;

final readonly class PeopleController
{
    private const MOST = 500;

    #[Route('/api/people', methods: 'GET')]
    public function known(
        #[CurrentUser]
        Account $account,
        People $people,
        #[MapQueryParameter]
        string $words = '',
        #[MapQueryParameter]
        int $count = 8,
    ): JsonResponse {
        return new JsonResponse($people->known($account, $words, max(1, min($count, self::MOST))));
    }

    /** What is open with somebody, and what they have written. */
    #[Route('/api/people/{email}', requirements: ['email' => '[^/]+@[^/]+'], methods: 'GET')]
    public function person(
        #[CurrentUser]
        Account $account,
        string $email,
        People $people,
        ContactStore $contacts,
        OwedRows $owed,
        ConversationRows $conversations,
        TaskRows $tasks,
    ): JsonResponse {
        $contact = $contacts->withEmail($account->id, $email);
        $known = $people->one($account, $email);
        if (null === $known && null === $contact) {
            throw new NotFound('person', $email);
        }

        return new JsonResponse([
            'person' => $known,
            'contact' => null === $contact ? null : ContactController::view($contact),
            'owed' => $owed->by($account, $email),
            'conversations' => $conversations->with($account, $email),
            'tasks' => $tasks->fromSender($account, $email),
        ]);
    }
}
