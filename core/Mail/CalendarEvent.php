<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\Recurrence\RuleText;

/**
 * An event of a calendar object that came with a message (RFC 5545, 3.6.1; iTIP, RFC 5546).
 *
 * @phpstan-type CalendarAnswer array{email: string, name: string, answer: string}
 * @phpstan-type CalendarEventState array{
 *     method: string, uid: string, title: string, start: string, end: string|null, zone: string|null, place: string,
 *     organiser: string, organiserName: string, rrule: string, repeats?: string, cancelled: bool,
 *     answers: list<CalendarAnswer>
 * }
 */
final readonly class CalendarEvent implements \JsonSerializable
{
    /** Characters of a title or place. */
    public const LINE = 300;

    /** Answers that are kept. */
    public const ANSWERS = 200;

    /**
     * @param string               $method      what is to be done with it, in lower case: "request", "cancel", "reply", "counter",
     *                                          "publish" …; empty when it does not say
     * @param LocalDate            $date        the day on which it begins, in its own zone
     * @param Moment|null          $start       null: it takes whole days
     * @param LocalDate|null       $until       of whole days the last one, when it is another one
     * @param Moment|null          $end         null: it does not say
     * @param string               $rrule       RECUR (RFC 5545, 3.3.10); empty: it comes once
     * @param bool                 $isCancelled it does not take place
     * @param list<CalendarAnswer> $answers     who is asked to it, and what they have said so far: a PARTSTAT in lower case (RFC 5545,
     *                                          3.2.12)
     */
    public function __construct(
        public string $method,
        public string $uid,
        public string $title,
        public LocalDate $date,
        public ?Moment $start,
        public ?LocalDate $until,
        public ?Moment $end,
        public string $place,
        public Address $organiser,
        public string $rrule,
        public bool $isCancelled,
        public array $answers,
    ) {
    }

    /** It takes the event back. */
    public function takesBack(): bool
    {
        return 'cancel' === $this->method || $this->isCancelled;
    }

    /** Somebody tells what they say to it. */
    public function isAnswer(): bool
    {
        return \in_array($this->method, ['reply', 'declinecounter', 'refresh'], true);
    }

    /** What somebody has said to it: "accepted", "declined", "tentative"; empty when nothing yet. */
    public function answerOf(string $email): string
    {
        foreach ($this->answers as ['email' => $asked, 'answer' => $answer]) {
            if (0 === strcasecmp($asked, $email)) {
                return \in_array($answer, ['accepted', 'declined', 'tentative', 'delegated'], true) ? $answer : '';
            }
        }

        return '';
    }

    /** How it comes again, in words; empty when it does not. */
    private function repeats(): string
    {
        try {
            return '' === $this->rrule ? '' : RuleText::of(Rule::parse($this->rrule));
        } catch (Refused) {
            return 'several times';
        }
    }

    /** @return CalendarEventState */
    public function jsonSerialize(): array
    {
        return [
            'method' => $this->method,
            'uid' => $this->uid,
            'title' => $this->title,
            'start' => null === $this->start ? (string) $this->date : $this->start->instant->format('Y-m-d\TH:i:s\Z'),
            'end' => null === $this->start ? $this->until?->__toString() : $this->end?->instant->format('Y-m-d\TH:i:s\Z'),
            'zone' => $this->start?->zone->getName(),
            'place' => $this->place,
            'organiser' => $this->organiser->email,
            'organiserName' => $this->organiser->name,
            'rrule' => $this->rrule,
            'repeats' => $this->repeats(),
            'cancelled' => $this->isCancelled,
            'answers' => $this->answers,
        ];
    }

    /** @param CalendarEventState $state */
    public static function fromState(array $state): self
    {
        $zone = null === $state['zone'] ? null : new \DateTimeZone($state['zone']);
        $start = null === $zone ? null : new Moment(new \DateTimeImmutable($state['start']), $zone);

        return new self(
            $state['method'],
            $state['uid'],
            $state['title'],
            $start?->date() ?? LocalDate::parse($state['start']),
            $start,
            null === $zone && null !== $state['end'] ? LocalDate::parse($state['end']) : null,
            null === $zone || null === $state['end'] ? null : new Moment(new \DateTimeImmutable($state['end']), $zone),
            $state['place'],
            new Address($state['organiser'], $state['organiserName']),
            $state['rrule'],
            $state['cancelled'],
            $state['answers'],
        );
    }
}
