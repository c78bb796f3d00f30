<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\LetIn;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Http\Payload\Account\Settings;

final readonly class SettingsController
{
    #[Route('/api/settings', methods: 'PUT')]
    public function __invoke(
        #[CurrentUser]
        Account $account,
        #[MapRequestPayload]
        Settings $settings,
        EntityManagerInterface $orm,
        SessionState $state,
        ClockInterface $clock,
        LetIn $letIn,
        Ids $ids,
        Request $request,
    ): JsonResponse {
        [$time, $tray] = [$settings->time(), $settings->tray()];
        $speaker = new Speaker(new Moment($clock->now(), Moment::zone($settings->zone)), $time);
        $tray->snoozes->check($speaker);
        $before = $account->nextSession($clock->now());
        $account->profile->settle(null === $settings->name ? $account->profile->name() : trim($settings->name), $settings->zone);
        if (null !== $settings->addresses) {
            $account->profile->goBy($settings->addresses);
        }
        $account->profile->choose(
            $settings->clearingOrder,
            $time,
            $settings->tasks($speaker),
            $tray,
            $settings->post(),
            $settings->mailIn(),
            $settings->agenda(),
        );
        $account->reachedAt($request->getSchemeAndHttpHost());
        $orm->flush();
        $next = $account->nextSession($clock->now());
        if ($before?->instant->getTimestamp() !== $next?->instant->getTimestamp()) {
            $letIn->follow($account->id, new EntryId($ids->next()), $next);
        }

        return $state->response($account);
    }
}
