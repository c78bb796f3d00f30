<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Stamp\StampHand;
use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Server\Account\Account;

/**
 * What somebody who stamps has at hand.
 */
final readonly class StampHands
{
    public function __construct(private Advices $advices, private ClockInterface $clock)
    {
    }

    /** @param list<string> $conversationIds of which tasks may be made */
    public function of(Account $account, array $conversationIds = []): StampHand
    {
        return new StampHand(
            $account->person(),
            $account->profile->speaker($this->clock->now()),
            $account->profile->postSettings(),
            'none' !== $account->mailWays()->out,
            array_map(static fn (Advice $advice): string => $advice->title, $this->advices->of($account, $conversationIds)),
        );
    }
}
