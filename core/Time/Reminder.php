<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

use ZippyTray\Core\Time\Field\Reading;
use ZippyTray\Core\Time\Passing\Every;
use ZippyTray\Core\Time\Passing\Once;
use ZippyTray\Core\Time\Passing\Schedule;
use ZippyTray\Core\Time\Recurrence\Rule;

/**
 * When a person wants to be reminded: so long before a due or a start, at a moment, or again and again.
 *
 * @phpstan-import-type LeadState from Lead
 *
 * @phpstan-type ReminderState array{
 *     lead: LeadState|null, at: ?string, zone: ?string,
 *     every?: array{rrule: string, time: string, since: string}|null
 * }
 */
final readonly class Reminder
{
    private function __construct(
        public ?Lead $lead,
        public ?Moment $at,
        private ?Rule $rule = null,
        private ?TimeOfDay $clock = null,
        private ?\DateTimeZone $zone = null,
        private ?LocalDate $since = null,
    ) {
    }

    public static function lead(Lead $lead): self
    {
        return new self($lead, null);
    }

    public static function at(Moment $moment): self
    {
        return new self(null, $moment);
    }

    /**
     * @param \DateTimeZone $zone  whose clocks have to show the time
     * @param LocalDate     $since the first day of the series
     */
    public static function every(Rule $rule, TimeOfDay $clock, \DateTimeZone $zone, LocalDate $since): self
    {
        return new self(null, null, $rule, $clock, $zone, $since);
    }

    public function kind(): ReminderKind
    {
        return match (true) {
            null !== $this->rule => ReminderKind::Repeat,
            null !== $this->lead => ReminderKind::Lead,
            default => ReminderKind::Moment,
        };
    }

    /**
     * The moment at which it comes; of one that comes again and again, the next after $now. Null when what it counts
     * from is not there, or it is over.
     *
     * @param \DateTimeZone $zone the person's own
     */
    public function moment(?Due $start, ?Due $due, \DateTimeZone $zone, TimeSettings $settings, \DateTimeImmutable $now): ?Moment
    {
        if (null !== $this->zone) {
            $next = $this->schedule($start, $due, $zone, $settings)?->after($now);

            return null === $next ? null : new Moment($next, $this->zone);
        }

        return $this->single($start, $due, $zone, $settings);
    }

    /**
     * When it comes; null when what it counts from is not there.
     *
     * @param \DateTimeZone $zone the person's own
     */
    public function schedule(?Due $start, ?Due $due, \DateTimeZone $zone, TimeSettings $settings): ?Schedule
    {
        if (null !== $this->rule && null !== $this->clock && null !== $this->zone && null !== $this->since) {
            return new Every($this->rule, $this->clock, $this->zone, $this->since);
        }
        $moment = $this->single($start, $due, $zone, $settings);

        return null === $moment ? null : new Once($moment->instant);
    }

    /** A moment moves along by whole days; a lead does so by itself, and what comes again and again does not. */
    public function plusDays(int $days): self
    {
        return null === $this->at ? $this : self::at(Moment::at($this->at->date()->plusDays($days), $this->at->time(), $this->at->zone));
    }

    /** "2 days before", "Fri 27 Nov 2026, 15:00" or "every weekday at 09:00, from Tue 24 Nov 2026". */
    public function text(): string
    {
        return match (true) {
            null !== $this->at => $this->at->text(),
            null !== $this->rule && null !== $this->since && null !== $this->zone => Reading::ofRepeat(
                $this->rule,
                $this->since,
                $this->clock,
                $this->zone,
            )->text(),
            default => (string) $this->lead?->text(),
        };
    }

    /** @return ReminderState */
    public function state(): array
    {
        return [
            'lead' => $this->lead?->state(),
            'at' => $this->at?->instant->format(\DATE_ATOM),
            'zone' => (null === $this->at ? $this->zone : $this->at->zone)?->getName(),
            'every' => null === $this->rule
                ? null
                : ['rrule' => $this->rule->rrule($this->zone), 'time' => (string) $this->clock, 'since' => (string) $this->since],
        ];
    }

    /** @param ReminderState $state */
    public static function fromState(array $state): self
    {
        $every = $state['every'] ?? null;
        $zone = null === $state['zone'] ? null : Moment::zone($state['zone']);
        if (null !== $every && null !== $zone) {
            return self::every(
                Rule::parse($every['rrule'], $zone),
                TimeOfDay::parse($every['time']),
                $zone,
                LocalDate::parse($every['since']),
            );
        }

        return new self(
            null === $state['lead'] ? null : Lead::fromState($state['lead']),
            null === $state['at'] || null === $zone ? null : new Moment(new \DateTimeImmutable($state['at']), $zone),
        );
    }

    private function single(?Due $start, ?Due $due, \DateTimeZone $zone, TimeSettings $settings): ?Moment
    {
        if (null !== $this->at) {
            return $this->at;
        }
        $anchor = match ($this->lead?->of) {
            Anchor::Due => $due,
            Anchor::Start => $start,
            null => $due ?? $start,
        };

        return null === $anchor ? null : $this->lead?->moment($anchor, $zone, $settings);
    }
}
