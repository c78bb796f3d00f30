<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Http\Payload\Account\ClockMove;
use ZippyTray\Server\Read\Heartbeat;

final readonly class DemoClockController
{
    public function __construct(private ProgramClock $clock)
    {
    }

    #[Route('/api/demo/clock', methods: 'POST')]
    public function __invoke(#[CurrentUser] Account $account, #[MapRequestPayload] ClockMove $move, Heartbeat $heartbeat): JsonResponse
    {
        if (!$this->clock->movable) {
            throw new NotFound('clock', 'demo');
        }
        $now = $this->clock->now();
        $zone = $account->timeZone();
        $then = match ($move->to) {
            'morning' => LocalDate::of($now, $zone)->plusDays(1)->at(DayMark::Morning->usual(), $zone),
            'week' => $now->setTimezone($zone)->modify('+7 days'),
            default => $now->modify('+1 hour'),
        };
        $this->clock->moveForward($then->getTimestamp() - $now->getTimestamp());

        return new JsonResponse($heartbeat->of($account)['body']);
    }
}
