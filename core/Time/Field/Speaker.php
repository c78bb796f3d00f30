<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Field;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Grammar\Lexemes;
use ZippyTray\Core\Time\Grammar\SpanRules;
use ZippyTray\Core\Time\Lead;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Unreadable;

/**
 * A person who writes time: in their zone, in their way, now.
 */
final readonly class Speaker
{
    /** @param Moment $now in the person's own zone */
    public function __construct(public Moment $now, public TimeSettings $settings = new TimeSettings())
    {
    }

    /**
     * @param LocalDate|null $beside the due beside which a repeat is written: what its words leave open follows from it
     *
     * @throws Unreadable
     */
    public function read(string $phrase, ?LocalDate $beside = null): Reading
    {
        return (new WhenReader($this->settings))->read($phrase, $this->now, $beside);
    }

    /** @throws Unreadable */
    public function readLead(string $phrase): Lead
    {
        return (new LeadReader($this->settings))->read($phrase);
    }

    /**
     * How long something takes, in hours and minutes: "20 min", "1h 30".
     *
     * @return int minutes
     *
     * @throws Unreadable
     */
    public function readMinutes(string $phrase): int
    {
        $words = Lexemes::of(mb_substr($phrase, 0, WhenReader::LENGTH));
        foreach ((new SpanRules($words))->at(0) as $span) {
            if ($words->isEnd($span->next) && !$span->value->hasDays()) {
                return $span->value->minutes;
            }
        }
        if ([] !== iterator_to_array((new SpanRules($words))->at(0), false)) {
            throw new Unreadable('How long it takes is written in hours and minutes: "20 min", "1h 30m".', 0);
        }

        throw $words->complaint('Write how long it takes: "20 min", "1h 30m".');
    }

    /**
     * A phrase that has to say a day or a moment.
     *
     * @param string $field the input that it stands in
     *
     * @throws Refused when it cannot be read, or says a repeat
     */
    public function due(string $phrase, string $field): Due
    {
        return $this->single($phrase, $field)->due();
    }

    /**
     * A phrase that has to say a moment; for a day see ahead().
     *
     * @throws Refused when it cannot be read, or says a repeat
     */
    public function moment(string $phrase, string $field): Moment
    {
        $reading = $this->single($phrase, $field);

        return $reading->moment ?? $this->ahead($reading->date);
    }

    /**
     * A day as a moment at which something comes: its morning, and of today the next mark of the day that is still
     * ahead. When none is, its morning, which is past.
     */
    public function ahead(LocalDate $day): Moment
    {
        $moments = [];
        foreach ($day->equals($this->now->date()) ? DayMark::cases() : [] as $mark) {
            $moment = Moment::at($day, $this->settings->at($mark), $this->now->zone);
            if ($moment->isAfter($this->now->instant)) {
                $moments[$moment->instant->getTimestamp()] = $moment;
            }
        }

        return [] === $moments
            ? Moment::at($day, $this->settings->at(DayMark::Morning), $this->now->zone)
            : $moments[min(array_keys($moments))];
    }

    private function single(string $phrase, string $field): Reading
    {
        try {
            $reading = $this->read($phrase);
        } catch (Unreadable $problem) {
            throw new Refused($problem->getMessage(), $field);
        }

        return ReadingKind::Repeat === $reading->kind
            ? throw new Refused('A repeat cannot stand here: write one day or moment.', $field) : $reading;
    }
}
