<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Stamp\StampHand;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;
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

    /**
     * Mail is weighed only for a step that makes a task of it, whose title is what is asked for there.
     *
     * @param list<string>    $conversationIds to be stamped
     * @param list<StampStep> $steps           what may be done with them
     */
    public function of(Account $account, array $conversationIds = [], array $steps = []): StampHand
    {
        $makesTask = \in_array(StepKind::Task, array_map(static fn (StampStep $step): StepKind => $step->do, $steps), true);

        return new StampHand(
            $account->person(),
            $account->profile->speaker($this->clock->now()),
            $account->profile->postSettings(),
            $account->canSend(),
            array_map(
                static fn (Advice $advice): string => $advice->title,
                $this->advices->of($account, $makesTask ? $conversationIds : []),
            ),
        );
    }
}
