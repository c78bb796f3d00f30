<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Store\StoredNow;

/**
 * What the page needs to know before it can show anything.
 */
final readonly class SessionState
{
    public function __construct(private Accounts $accounts, private ProgramClock $clock)
    {
    }

    public function response(?Account $account, int $status = 200): JsonResponse
    {
        $isFirstVisit = null === $account && $this->accounts->isFirstVisit();

        return new JsonResponse([
            'account' => null === $account ? null : [
                'name' => $account->name(),
                'email' => $account->email,
                'zone' => $account->timeZone()->getName(),
                'settings' => [
                    'clearingOrder' => $account->clearingOrder(),
                    ...$account->timeSettings()->state(),
                    ...$account->taskSettings()->state(),
                    ...$account->traySettings()->state(),
                    ...$account->postSettings()->state(),
                    'zone' => $account->timeZone()->getName(),
                ],
            ],
            'firstVisit' => $isFirstVisit,
            'awaited' => $isFirstVisit ? $this->accounts->awaited() : null,
            'demo' => $this->clock->movable,
            'now' => StoredNow::of($this->clock->now()),
        ], $status);
    }
}
