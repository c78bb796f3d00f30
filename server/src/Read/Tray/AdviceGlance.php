<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Tray\Advice\AdviceGroup;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * What a row of a list shows of the advice.
 */
final readonly class AdviceGlance
{
    /**
     * @param string $title      what is to be done, in the words of the action; empty where nothing is asked
     * @param int    $importance from 0 to 100
     * @param string $because    why it matters as much; empty where that is not asked
     */
    private function __construct(
        public AdvisedDecision $decision,
        public AdviceGroup $group,
        public string $asks,
        public string $title,
        public ?DateView $date,
        public int $importance,
        public string $because,
    ) {
    }

    /** @param bool $why whether it is said why it matters as much */
    public static function of(Weighed $weighed, bool $why): self
    {
        $advice = $weighed->advice;

        return new self(
            $advice->decision,
            $advice->group,
            $advice->asks,
            '' === $advice->asks ? '' : $advice->title,
            DateView::of($advice->date),
            $weighed->score(),
            $why ? $weighed->reasons()[0] ?? '' : '',
        );
    }
}
