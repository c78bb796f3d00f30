<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Tray\BlockSender;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Tray\BlockedRows;

#[Route('/api/blocked')]
final readonly class BlockedController
{
    #[Route('', methods: 'GET')]
    public function all(#[CurrentUser] Account $account, BlockedRows $rows): JsonResponse
    {
        return new JsonResponse($rows->all($account->id));
    }

    #[Route('/{id}', requirements: ['id' => Requirement::UUID], methods: 'DELETE')]
    public function unblock(
        #[CurrentUser]
        Account $account,
        string $id,
        #[MapQueryParameter(options: ['regexp' => '/^[0-9a-f-]{36}$/'], filter: \FILTER_VALIDATE_REGEXP)]
        string $entry,
        BlockSender $block,
        EntryRows $entries,
        #[MapQueryParameter]
        bool $bringBack = false,
    ): JsonResponse {
        return new JsonResponse($entries->of($block->unblock($account->id, new EntryId($entry), $id, $bringBack)));
    }
}
