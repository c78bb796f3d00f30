<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Read\Heartbeat;
use ZippyTray\Server\Store\StoredNow;

/**
 * What the page needs to know before it can show anything.
 */
final readonly class SessionState
{
    public function __construct(private Accounts $accounts, private Heartbeat $heartbeat, private ProgramClock $clock)
    {
    }

    /** @return array<string, mixed> an object of days stays one, also when they count from 1 on without a gap */
    private static function agenda(Account $account): array
    {
        $state = $account->profile->agendaSettings()->state();

        return ['hours' => null === $state['hours'] ? null : (object) $state['hours']] + $state;
    }

    public function response(?Account $account, int $status = 200): JsonResponse
    {
        $isFirstVisit = null === $account && $this->accounts->isFirstVisit();

        return new JsonResponse([
            'account' => null === $account ? null : [
                'name' => $account->profile->name(),
                'email' => $account->email,
                'addresses' => $account->profile->addresses(),
                'senders' => $account->person()->addresses(),
                'zone' => $account->timeZone()->getName(),
                'marks' => $this->heartbeat->marks($account),
                'settings' => [
                    'clearingOrder' => $account->profile->clearingOrder(),
                    ...$account->profile->timeSettings()->state(),
                    ...$account->profile->taskSettings()->state(),
                    ...$account->profile->traySettings()->state(),
                    ...$account->profile->postSettings()->state(),
                    'mailIn' => $account->profile->mailInSettings()->state(),
                    'agenda' => self::agenda($account),
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
