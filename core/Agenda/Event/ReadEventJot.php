<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Jot\Clause;
use ZippyTray\Core\Task\Jot\ClauseKind;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Unreadable;

/**
 * Reads an event written down in one line, as tasks are (see ReadJot): the word "event", a title, then clauses, of which one says when.
 *
 *     line   = "event" title { ";" clause }
 *     clause = when | ("at" | "in" | "place" | "where") place | "with" person { "," person } | ("remind" | "reminder") ["me"] lead
 *            | ("note" | "notes") text
 */
final class ReadEventJot
{
    private ?ReadEventTime $when = null;

    private ?string $place = null;

    /** @var list<Participant> */
    private array $participants = [];

    /** @var list<Reminder> */
    private array $reminders = [];

    /** @var list<string> */
    private array $notes = [];

    /** @param \Closure(string): ?Address $whoIs */
    private function __construct(private readonly Speaker $speaker, private readonly \Closure $whoIs)
    {
    }

    /**
     * @param \Closure(string): ?Address $whoIs who somebody is, by name; null when nobody is called so, or several are
     *
     * @return EventJot|null null when it says no event: it does not begin with that word, or never says when
     */
    public static function of(string $line, Speaker $speaker, \Closure $whoIs): ?EventJot
    {
        $parts = ReadJot::parts($line);
        if (1 !== preg_match('/^event:?\s+(\S.*)$/iu', $parts[0]->text, $match)) {
            return null;
        }
        $read = new self($speaker, $whoIs);
        $clauses = array_map($read->clause(...), \array_slice($parts, 1));
        if (null === $read->when) {
            return null;
        }
        $title = new Clause(ClauseKind::Title, $parts[0]->text, $parts[0]->from, $parts[0]->to, $match[1]);

        return new EventJot([$title, ...$clauses], new EventFields(
            mb_substr($match[1], 0, EventFields::LINE),
            $read->when->time,
            $read->place ?? '',
            mb_substr(implode("\n", $read->notes), 0, EventFields::NOTES),
            $read->when->repeat,
            $read->participants,
            $read->reminders,
        ));
    }

    private function clause(Clause $part): Clause
    {
        try {
            [$kind, $reading, $odd] = $this->taken($part->text) + [2 => ''];

            return new Clause($kind, $part->text, $part->from, $part->to, $reading, odd: $odd);
        } catch (Unreadable|Refused $problem) {
            $this->notes[] = $part->text;

            return new Clause(ClauseKind::Unread, $part->text, $part->from, $part->to, $problem->getMessage());
        }
    }

    /**
     * @return array{0: ClauseKind, 1: string, 2?: string} what it is, what it was read as, what is odd about it
     *
     * @throws Unreadable
     * @throws Refused
     */
    private function taken(string $text): array
    {
        $is = static fn (string $pattern): ?string => 1 === preg_match('/^(?:'.$pattern.')(?:\s+|$)(.*)$/iu', $text, $match)
            ? trim($match[1])
            : null;

        return match (true) {
            null !== $rest = $is('notes?:?') => $this->note($rest),
            null !== $rest = $is('with:?') => $this->with($rest),
            null !== $rest = $is('remind(?:ers?)?(?:\s+me)?:?') => $this->remindedOf($rest),
            null !== $rest = $is('at:?|in:?|place:?|where:?') => $this->at($rest, $text),
            default => $this->when($text),
        };
    }

    /** @return array{ClauseKind, string} */
    private function note(string $text): array
    {
        $this->notes[] = $text;

        return [ClauseKind::Note, $text];
    }

    /** @return array{ClauseKind, string, string} */
    private function when(string $text): array
    {
        if (null !== $this->when) {
            throw new Refused('It is said already when that is.', 'when');
        }
        $this->when = ReadEventTime::of($text, $this->speaker);
        $isOver = $this->when->time->seconds($this->speaker->now->zone)[1] <= $this->speaker->now->instant->getTimestamp();

        return [ClauseKind::When, $this->when->text(), $isOver ? 'That is past already.' : ''];
    }

    /** @return array{0: ClauseKind, 1: string, 2?: string} a place, or a time where that can be read */
    private function at(string $rest, string $text): array
    {
        try {
            return null === $this->when ? $this->when($text) : throw new Refused('It is said already.', 'when');
        } catch (Unreadable|Refused) {
            if (null !== $this->place || '' === $rest || mb_strlen($rest) > EventFields::LINE) {
                throw new Refused('' === $rest ? 'Where?' : 'There is a place already.', 'place');
            }
            $this->place = $rest;

            return [ClauseKind::Place, $rest];
        }
    }

    /** @return array{ClauseKind, string, string} */
    private function with(string $names): array
    {
        $unknown = [];
        foreach (preg_split('/\s*,\s*|\s+and\s+/iu', $names, 50) ?: [] as $name) {
            $who = Address::isValid($name) ? new Address($name) : ($this->whoIs)($name);
            null === $who ? $unknown[] = $name : $this->participants[] = new Participant($who);
        }
        if ([] !== $unknown) {
            $this->notes[] = 'With '.implode(', ', $unknown);
        }
        $odd = [] === $unknown ? '' : \sprintf('Nobody is known as %s: that stands in the notes.', implode(', ', $unknown));
        $known = implode(', ', array_map(static fn (Participant $one): string => $one->who->label(), $this->participants));

        return [ClauseKind::People, $known, $odd];
    }

    /** @return array{ClauseKind, string} */
    private function remindedOf(string $phrase): array
    {
        $reminder = ReadReminder::of($phrase, $this->speaker);
        if (!$reminder->kind()->hasOneMoment()) {
            throw new Refused('An event comes again by itself: its reminders do not.', 'reminders');
        }
        $this->reminders[] = $reminder;

        return [ClauseKind::Reminder, $reminder->text()];
    }
}
