<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

/**
 * How long the person takes for a conversation, from what was decided in clearings before.
 */
final readonly class Pace
{
    /** Seconds a conversation, as long as nothing is known of the person. */
    private const USUAL = 25.0;

    /** Who takes longer than that has done something else in between. */
    private const LONGEST = 300;

    /** So many decisions make a pace of one's own; with fewer, the usual one counts for the rest. */
    private const ENOUGH = 10;

    /**
     * @param list<array{clearing: string, at: \DateTimeImmutable}> $decisions in order of time
     *
     * @return float seconds a conversation
     */
    public static function of(array $decisions): float
    {
        $times = [];
        foreach ($decisions as $index => $decision) {
            $before = $decisions[$index - 1] ?? null;
            if (null === $before || $before['clearing'] !== $decision['clearing']) {
                continue;
            }
            $seconds = $decision['at']->getTimestamp() - $before['at']->getTimestamp();
            if ($seconds <= self::LONGEST) {
                $times[] = (float) max(1, $seconds);
            }
        }
        if ([] === $times) {
            return self::USUAL;
        }
        $mean = array_sum($times) / \count($times);
        $weight = min(1.0, \count($times) / self::ENOUGH);

        return round($weight * $mean + (1 - $weight) * self::USUAL, 1);
    }
}
