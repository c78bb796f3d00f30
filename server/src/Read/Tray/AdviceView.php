<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\AdviceGroup;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * What is advised for a conversation, and why.
 */
final readonly class AdviceView
{
    /** @param list<string> $reasons */
    private function __construct(
        public AdvisedDecision $decision,
        public AdviceGroup $group,
        public string $title,
        public int $minutes,
        public array $reasons,
        public string $asks,
        public ?DateView $date,
        public ?LocalDate $until,
    ) {
    }

    public static function of(Advice $advice): self
    {
        return new self(
            $advice->decision,
            $advice->group,
            $advice->title,
            $advice->minutes,
            $advice->reasons,
            $advice->asks,
            DateView::of($advice->date),
            $advice->until,
        );
    }
}
