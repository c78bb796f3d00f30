<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Week;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Week;

/**
 * Looking back over one week: how far somebody has come with it. It can be left at any stop, and goes on there.
 */
final class LookBack
{
    private ?\DateTimeImmutable $endedAt = null;

    private string $week;

    /** @param LocalDate $week its first day */
    public function __construct(
        public readonly AccountId $accountId,
        LocalDate $week,
        private Stop $stop,
        public readonly \DateTimeImmutable $begunAt,
    ) {
        $this->week = (string) $week;
    }

    /**
     * The week over which one looks back on a day: the one that it is in, once its last day of work has come; until then the one before.
     *
     * @return LocalDate its first day
     */
    public static function weekOn(LocalDate $today, Week $week): LocalDate
    {
        $start = $week->startOf($today);

        return $today->isBefore($week->lastWorkingDay($today)) ? $start->plusDays(-7) : $start;
    }

    /** Its first day. */
    public function week(): LocalDate
    {
        return LocalDate::parse($this->week);
    }

    public function stop(): Stop
    {
        return $this->stop;
    }

    /** Any stop can be gone to; going back to one opens what has ended. */
    public function goTo(Stop $stop): void
    {
        $this->stop = $stop;
        $this->endedAt = null;
    }

    /** Ending what has ended keeps the first moment. */
    public function end(\DateTimeImmutable $now): void
    {
        $this->endedAt ??= $now;
    }

    public function endedAt(): ?\DateTimeImmutable
    {
        return $this->endedAt;
    }
}
