<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Passing;

/**
 * The time between two looks at the clock, however far apart: what came in it has to be told now.
 *
 * Nothing is told before its time. What has been told is not told again, also when the clock was set
 * back in between and passes the same time once more; what is new at such a time is told.
 */
final readonly class Watch
{
    private \DateTimeImmutable $since;

    /**
     * @param \DateTimeImmutable $before the look before; one that lies ahead of $now means that the clock was set back
     * @param \DateTimeImmutable $now    both in UTC
     */
    public function __construct(\DateTimeImmutable $before, private \DateTimeImmutable $now)
    {
        $this->since = min($before, $now);
    }

    /**
     * @param iterable<string, Schedule>        $schedules by keys that stay the same from look to look
     * @param array<string, \DateTimeImmutable> $told      up to when each has been told; without those that never were
     *
     * @return list<Come> in the order in which they came
     */
    public function come(iterable $schedules, array $told = []): array
    {
        $come = [];
        foreach ($schedules as $key => $schedule) {
            [$last, $times] = [null, 0];
            $at = $schedule->after(isset($told[$key]) ? max($told[$key], $this->since) : $this->since);
            for (; null !== $at && $at <= $this->now; $at = $schedule->after($at)) {
                [$last, $times] = [$at, $times + 1];
            }
            if (null !== $last) {
                $come[] = new Come($key, $last, $times);
            }
        }
        usort($come, static fn (Come $a, Come $b): int => [$a->at, $a->key] <=> [$b->at, $b->key]);

        return $come;
    }

    /**
     * @param iterable<string, Schedule>        $schedules
     * @param array<string, \DateTimeImmutable> $told
     *
     * @return \DateTimeImmutable|null when something comes next; null when nothing does
     */
    public function next(iterable $schedules, array $told = []): ?\DateTimeImmutable
    {
        $next = null;
        foreach ($schedules as $key => $schedule) {
            $at = $schedule->after(isset($told[$key]) ? max($told[$key], $this->now) : $this->now);
            $next = null === $at || (null !== $next && $next < $at) ? $next : $at;
        }

        return $next;
    }
}
