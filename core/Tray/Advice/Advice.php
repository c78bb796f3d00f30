<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Time\LocalDate;

/**
 * What is proposed for a conversation, and why. It is only ever a proposal.
 */
final readonly class Advice
{
    /**
     * @param MailKind       $kind    of the message that counts most
     * @param string         $title   of a task that could be made of it
     * @param int            $minutes what it takes to do it
     * @param list<string>   $reasons sentences for the person
     * @param string         $asks    the sentence that asks most; empty when there is none
     * @param FoundDate|null $date    the next deadline; without one, the next appointment
     * @param LocalDate|null $until   for a snooze: the day to come back
     */
    public function __construct(
        public AdvisedDecision $decision,
        public AdviceGroup $group,
        public MailKind $kind,
        public string $title,
        public int $minutes,
        public array $reasons,
        public string $asks,
        public ?FoundDate $date,
        public ?LocalDate $until,
    ) {
    }
}
