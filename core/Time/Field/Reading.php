<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Field;

use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\Recurrence\RuleText;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * What a when phrase says.
 */
final readonly class Reading
{
    /**
     * @param LocalDate             $date           of a repeat: of its first occurrence
     * @param Moment|null           $moment         when a time was said; of a repeat that of its first occurrence
     * @param Rule|null             $rule           of a repeat
     * @param TimeOfDay|null        $clock          what a repeat's clock shows, also on days on which a clock change moves it
     * @param bool                  $past           whether it is over
     * @param list<self>            $alternatives   readings that are common too
     * @param TimeOfDay|null        $until          when what begins then ends; when that is no later, on the following day. A repeat's text
     *                                              and state do not say it: tasks have no use for it
     * @param bool                  $fromCompletion of a repeat: whether it counts from the day on which it was done
     * @param array<string, string> $corrected      what was read, by what was written, where that had a slip in it or could only be meant
     *                                              otherwise
     */
    private function __construct(
        public ReadingKind $kind,
        public LocalDate $date,
        public ?Moment $moment,
        public ?Rule $rule,
        public ?TimeOfDay $clock,
        public bool $past,
        public array $alternatives = [],
        public ?TimeOfDay $until = null,
        public bool $fromCompletion = false,
        public array $corrected = [],
    ) {
    }

    public static function ofDay(LocalDate $date, Moment $now): self
    {
        return new self(ReadingKind::Date, $date, null, null, null, $date->isBefore($now->date()));
    }

    public static function ofMoment(Moment $moment, Moment $now, ?TimeOfDay $until = null): self
    {
        return new self(ReadingKind::Moment, $moment->date(), $moment, null, null, $moment->instant < $now->instant, until: $until);
    }

    /** @param TimeOfDay|null $clock null: on those days, at no time in particular */
    public static function ofRepeat(
        Rule $rule,
        LocalDate $first,
        ?TimeOfDay $clock,
        \DateTimeZone $zone,
        bool $fromCompletion = false,
        ?TimeOfDay $until = null,
    ): self {
        return new self(
            ReadingKind::Repeat,
            $first,
            null === $clock ? null : Moment::at($first, $clock, $zone),
            $rule,
            $clock,
            false,
            until: $until,
            fromCompletion: $fromCompletion,
        );
    }

    /**
     * @param list<self>            $alternatives
     * @param array<string, string> $corrected    see the property
     */
    public function or(array $alternatives, array $corrected = []): self
    {
        return new self(
            $this->kind,
            $this->date,
            $this->moment,
            $this->rule,
            $this->clock,
            $this->past,
            $alternatives,
            $this->until,
            $this->fromCompletion,
            $corrected,
        );
    }

    public function time(): ?TimeOfDay
    {
        return $this->moment?->time();
    }

    /** The due that it means; of a repeat that of the first occurrence. */
    public function due(): Due
    {
        return null === $this->moment
            ? Due::onDay($this->date)
            : Due::at($this->moment->date(), $this->moment->time(), $this->moment->zone);
    }

    /** The rule as RFC 5545 writes it; null when it is no repeat. */
    public function rrule(): ?string
    {
        return $this->rule?->rrule($this->moment?->zone);
    }

    /** The canonical text: read again, it gives the same. */
    public function text(): string
    {
        if (null === $this->rule) {
            return null === $this->moment
                ? $this->date->text()
                : self::momentText($this->moment).(null === $this->until ? '' : '–'.$this->until);
        }
        $text = ($this->fromCompletion ? RuleText::ofDistance($this->rule, $this->date).' after completion' : RuleText::of($this->rule))
            .(null === $this->clock ? '' : ' at '.$this->clock)
            .', from '.$this->date->text();
        $text .= null === $this->rule->until ? '' : ', until '.$this->rule->until->text();

        return $text.(null === $this->rule->count ? '' : \sprintf(
            ', for %d time%s',
            $this->rule->count,
            1 === $this->rule->count ? '' : 's',
        ));
    }

    /**
     * @return array{
     *     kind: string, date: string, time: ?string, instant: ?string, rrule: ?string, past: bool, text: string,
     *     until?: string, fromCompletion?: true, corrected?: array<string, string>
     * }
     */
    public function state(): array
    {
        return [
            'kind' => $this->kind->value,
            'date' => (string) $this->date,
            'time' => $this->time()?->__toString(),
            'instant' => $this->moment?->instant->format(\DATE_ATOM),
            'rrule' => $this->rrule(),
            'past' => $this->past,
            'text' => $this->text(),
            ...(null === $this->until || null !== $this->rule ? [] : ['until' => (string) $this->until]),
            ...($this->fromCompletion ? ['fromCompletion' => true] : []),
            ...([] === $this->corrected ? [] : ['corrected' => $this->corrected]),
        ];
    }

    /** @return string why a due does not go with this repeat; empty when it does, or this is none */
    public function oddBeside(Due $due): string
    {
        $first = $this->rule?->first($due->date);

        return null === $first || $first->equals($due->date)
            ? ''
            : \sprintf(
                'The due (%s) is no day of it: it is due then, and after that %s.',
                $due->date->format('D j M'),
                $first->format('D j M'),
            );
    }

    /** As one writes it to somebody: "Friday 27 November", with the time where there is one. */
    public function toSomebody(): string
    {
        return null === $this->rule ? self::day($this->date, $this->moment?->time()) : $this->text();
    }

    /** See toSomebody(). */
    public static function day(LocalDate $date, ?TimeOfDay $time): string
    {
        return $date->format('l j F').(null === $time ? '' : ', '.$time);
    }

    /** Of a time that the clock shows twice that day, the later one has to say so. */
    private static function momentText(Moment $moment): string
    {
        $isSecond = $moment->date()->at($moment->time(), $moment->zone) < $moment->instant;

        return $moment->date()->text().', '.($isSecond ? 'second ' : '').$moment->time();
    }
}
