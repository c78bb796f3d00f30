<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Time\Passing\Come;
use ZippyTray\Core\Time\Passing\Schedule;
use ZippyTray\Core\Time\Passing\Watch;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Looks at the clock: what should have reminded since the last look does so now, however long ago that was.
 */
final readonly class LookOut
{
    public function __construct(private Rings $rings, private Transaction $transaction, private ClockInterface $clock, private Ids $ids)
    {
    }

    /**
     * @param \DateTimeZone $zone the person's own
     *
     * @return \DateTimeImmutable|null when the next reminder comes (UTC); null when none does
     */
    public function __invoke(AccountId $accountId, \DateTimeZone $zone, TimeSettings $settings): ?\DateTimeImmutable
    {
        return $this->transaction->run(function () use ($accountId, $zone, $settings): ?\DateTimeImmutable {
            $now = \DateTimeImmutable::createFromInterface($this->clock->now());
            /** @var array<string, array{Schedule, Reminder, Reminding}> $all */
            $all = [];
            foreach ($this->rings->reminding($accountId) as $reminding) {
                foreach ($reminding->schedules($zone, $settings) as $key => [$schedule, $reminder]) {
                    $all[$key] = [$schedule, $reminder, $reminding];
                }
            }
            $schedules = array_map(static fn (array $one): Schedule => $one[0], $all);
            $there = $this->rings->withKeys($accountId, array_keys($all));
            $told = array_map(static fn (Ring $ring): \DateTimeImmutable => $ring->at(), $there);
            $watch = new Watch($this->rings->lookedAt($accountId) ?? $now, $now);
            foreach ($watch->come($schedules, $told) as $come) {
                $this->ring($accountId, $come, $there[$come->key] ?? null, $all[$come->key][1], $all[$come->key][2], $now);
            }
            $this->rings->noteLook($accountId, $now);

            return $watch->next($schedules, $told);
        });
    }

    private function ring(
        AccountId $accountId,
        Come $come,
        ?Ring $ring,
        Reminder $reminder,
        Reminding $reminding,
        \DateTimeImmutable $now,
    ): void {
        if (null === $ring) {
            $this->rings->add(new Ring(
                $this->ids->next(),
                $accountId,
                $come->key,
                $reminding->about->kind,
                $reminding->about->id,
                $reminder->kind(),
                '' === $reminding->words ? $reminder->text() : $reminding->words,
                $come->at,
                $come->times,
                $now,
            ));
        } else {
            $ring->again($come->at, $come->times, $now);
        }
    }
}
