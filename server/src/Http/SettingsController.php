<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Settings;

final readonly class SettingsController
{
    #[Route('/api/settings', methods: 'PUT')]
    public function __invoke(#[CurrentUser] Account $account, #[MapRequestPayload] Settings $settings, EntityManagerInterface $orm, SessionState $state): JsonResponse
    {
        $account->choose($settings->dayFirst, $settings->clearingOrder);
        $orm->flush();

        return $state->response($account);
    }
}
