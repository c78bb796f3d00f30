<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\AdviceGroup;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * What a row of a list shows of the advice.
 */
final readonly class AdviceGlance
{
    private function __construct(public AdvisedDecision $decision, public AdviceGroup $group, public string $asks, public ?DateView $date)
    {
    }

    public static function of(Advice $advice): self
    {
        return new self($advice->decision, $advice->group, $advice->asks, DateView::of($advice->date));
    }
}
