<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Tray\LetIn;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\EntryOnly;
use ZippyTray\Server\Read\Journal\EntryRows;

final readonly class LetInController
{
    #[Route('/api/let-in', methods: 'POST')]
    public function __invoke(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        EntryOnly $request,
        LetIn $letIn,
        EntryRows $entries,
    ): JsonResponse {
        return new JsonResponse($entries->of($letIn($account->id, new EntryId($request->entry))));
    }
}
