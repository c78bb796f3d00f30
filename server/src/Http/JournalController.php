<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Undo;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\UndoRequest;
use ZippyTray\Server\Read\Journal\EntryRows;

#[Route('/api/journal')]
final readonly class JournalController
{
    public function __construct(private EntryRows $entries)
    {
    }

    #[Route('', methods: 'GET')]
    public function page(#[CurrentUser] Account $account, #[MapQueryParameter] ?int $before = null): JsonResponse
    {
        return new JsonResponse($this->entries->page($account->id, $before));
    }

    #[Route('/{id}/undo', requirements: ['id' => Requirement::UUID], methods: 'POST')]
    public function undo(#[CurrentUser] Account $account, string $id, #[MapRequestPayload] UndoRequest $request, Undo $undo): JsonResponse
    {
        return new JsonResponse($this->entries->of(
            $undo($account->id, new EntryId($request->id), new EntryId($id), $request->through),
        ));
    }
}
