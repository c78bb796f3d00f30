<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Week;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Time\LocalDate;

/**
 * Goes from stop to stop, and ends.
 */
final readonly class KeepLookBack
{
    public function __construct(private LookBacks $lookBacks, private Transaction $transaction, private ClockInterface $clock)
    {
    }

    /** @param LocalDate $week its first day */
    public function goTo(AccountId $accountId, LocalDate $week, Stop $stop): LookBack
    {
        return $this->transaction->run(function () use ($accountId, $week, $stop): LookBack {
            $lookBack = $this->lookBacks->of($accountId, $week);
            if (null === $lookBack) {
                $lookBack = new LookBack($accountId, $week, $stop, $this->now());
                $this->lookBacks->add($lookBack);
            }
            $lookBack->goTo($stop);

            return $lookBack;
        });
    }

    /** @param LocalDate $week its first day */
    public function end(AccountId $accountId, LocalDate $week): LookBack
    {
        return $this->transaction->run(function () use ($accountId, $week): LookBack {
            $lookBack = $this->lookBacks->of($accountId, $week);
            if (null === $lookBack) {
                $lookBack = new LookBack($accountId, $week, Stop::Figures, $this->now());
                $this->lookBacks->add($lookBack);
            }
            $lookBack->end($this->now());

            return $lookBack;
        });
    }

    private function now(): \DateTimeImmutable
    {
        return \DateTimeImmutable::createFromInterface($this->clock->now());
    }
}
