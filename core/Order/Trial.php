<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * What steps would be on mail that is here already: answers are for what arrives.
 */
final readonly class Trial
{
    /**
     * @param list<StampStep> $steps
     * @param bool            $inTray whether it is still to be decided
     *
     * @return list<StampStep> those that would be carried out
     */
    public static function steps(array $steps, bool $inTray): array
    {
        return array_values(array_filter(
            $steps,
            static fn (StampStep $step): bool => StepKind::Answer !== $step->do && ($inTray || !$step->do->decides()),
        ));
    }

    /**
     * Whether a person did by themselves what the steps would do.
     *
     * @param list<StampStep> $steps
     */
    public static function isSame(array $steps, ?AdvisedDecision $decided): bool
    {
        foreach ($steps as $step) {
            if ($step->do->decides()) {
                return $decided === match ($step->do) {
                    StepKind::Task => AdvisedDecision::Task,
                    StepKind::Snooze => AdvisedDecision::Snooze,
                    StepKind::HandOver => AdvisedDecision::Delegate,
                    StepKind::DoNow => AdvisedDecision::Now,
                    StepKind::Delete => AdvisedDecision::Delete,
                    StepKind::Block => AdvisedDecision::Block,
                    default => AdvisedDecision::Archive,
                };
            }
        }

        return false;
    }
}
