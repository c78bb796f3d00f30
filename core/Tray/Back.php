<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;

/**
 * A conversation was away and has come back: why, and what had been decided about it.
 */
final readonly class Back
{
    /**
     * @param Moment                  $at        when it came back, in the person's own zone
     * @param \DateTimeImmutable|null $decidedAt when it was sent away
     * @param int                     $times     how often it has been put off in a row
     * @param \DateTimeImmutable|null $since     when it was put off first
     * @param string                  $owedBy    of a hand-over; otherwise empty
     * @param string                  $owedWhat  may be empty
     * @param string                  $who       of those who owed an answer has given it; empty where that is not known
     */
    public function __construct(
        public BackBecause $because,
        public AwayReason $reason,
        public Moment $at,
        public ?\DateTimeImmutable $decidedAt = null,
        public int $times = 0,
        public ?\DateTimeImmutable $since = null,
        public string $owedBy = '',
        public string $owedWhat = '',
        public string $who = '',
    ) {
    }

    /** A sentence: why it is here again. */
    public function why(LocalDate $today): string
    {
        $day = $this->day($this->at->date(), $today);

        return match ($this->because) {
            BackBecause::Clearing => 'You wanted it back for your next clearing.',
            BackBecause::Answer => \sprintf('%s has answered.', '' === $this->who ? $this->owedBy : $this->who),
            BackBecause::Undelivered => AwayReason::HandOver === $this->reason
                ? \sprintf('Your message to %s did not arrive.', $this->owedBy)
                : 'Your message did not arrive.',
            BackBecause::Message => match ($this->reason) {
                AwayReason::HandOver => \sprintf('A message has come in. %s owed you an answer.', $this->owedBy),
                AwayReason::Answer => 'The answer that you waited for has come in.',
                default => 'A message has come in.',
            },
            BackBecause::Time => match ($this->reason) {
                AwayReason::HandOver => \sprintf('%s has not answered: you gave until %s.', $this->owedBy, $day),
                AwayReason::Answer => \sprintf('No answer has come: you gave until %s.', $day),
                AwayReason::NextClearing => 'You have not cleared the tray since you put it off.',
                AwayReason::Snooze, AwayReason::Held => \sprintf('You wanted it back %s.', $day),
            },
        };
    }

    /** What had been decided before, as a sentence; empty when that is not known any more. */
    public function before(LocalDate $today): string
    {
        if (null === $this->decidedAt) {
            return '';
        }
        $on = $this->day($this->dayOf($this->decidedAt), $today);
        if (AwayReason::HandOver === $this->reason) {
            return \sprintf('Handed over to %s %s%s.', $this->owedBy, $on, '' === $this->owedWhat ? '' : ': '.rtrim($this->owedWhat, '.'));
        }
        $waiting = AwayReason::Answer === $this->reason ? ', until they answer' : '';
        if ($this->times < 2) {
            return \sprintf('Put off %s%s.', $on, $waiting);
        }

        return \sprintf(
            'Put off %s%s, %d times since %s.',
            $on,
            $waiting,
            $this->times,
            $this->day($this->dayOf($this->since ?? $this->decidedAt), $today),
        );
    }

    /** Whether somebody was to answer, and nobody did. */
    public function isSilence(): bool
    {
        return BackBecause::Time === $this->because && \in_array($this->reason, [AwayReason::HandOver, AwayReason::Answer], true);
    }

    private function dayOf(\DateTimeImmutable $instant): LocalDate
    {
        return LocalDate::of($instant, $this->at->zone);
    }

    private function day(LocalDate $date, LocalDate $today): string
    {
        return match ($today->daysUntil($date)) {
            0 => 'today',
            -1 => 'yesterday',
            default => $date->format($date->year() === $today->year() ? 'D j M' : 'D j M Y'),
        };
    }
}
