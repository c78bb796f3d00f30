<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Sabre\VObject\Component;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\Parameter;
use Sabre\VObject\Property;
use ZippyTray\Core\Agenda\Event\Answer;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventStatus;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Agenda\Event\ToldEvent;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Reminder;

/**
 * An event and its exceptions out of a calendar object (VEVENT, RFC 5545, 3.6.1).
 */
final class ReadEvent
{
    /** Bytes of what is kept as it came. */
    private const OTHER = 32_768;

    /** What is read into something of its own, or made anew when it is written. */
    private const KNOWN = [
        'UID', 'SUMMARY', 'LOCATION', 'DESCRIPTION', 'DTSTART', 'DTEND', 'DURATION', 'RRULE', 'EXDATE', 'RDATE', 'RECURRENCE-ID',
        'SEQUENCE', 'STATUS', 'TRANSP', 'ORGANIZER', 'ATTENDEE', 'DTSTAMP', 'CREATED', 'LAST-MODIFIED',
    ];

    /** @var list<string> */
    public array $left = [];

    private readonly Times $times;

    public function __construct(private readonly Speaker $speaker, private readonly Person $person)
    {
        $this->times = new Times($speaker->now->zone);
    }

    /**
     * @param non-empty-list<VEvent> $parts with one UID: the event, and those of its series that are told apart
     *
     * @throws Refused when nothing can be made of it
     */
    public function read(string $uid, array $parts): ToldEvent
    {
        $main = array_values(array_filter($parts, static fn (VEvent $part): bool => [] === $part->select('RECURRENCE-ID')))[0] ?? $parts[0];
        $time = $this->time($main);
        [$reminders, $other] = $this->rest($main);
        $repeat = $this->repeat($main, $time, $other);
        $fields = new EventFields(
            $this->title($main),
            $time,
            self::line($main, 'LOCATION'),
            mb_substr((string) Times::first($main, 'DESCRIPTION'), 0, EventFields::NOTES),
            $repeat,
            $this->participants($main),
            $reminders,
            $this->isBusy($main),
        );
        $exceptions = $more = [];
        foreach ($main->select('EXDATE') as $property) {
            foreach ($property instanceof Property ? $this->times->keys($property) : [] as $key) {
                $exceptions[$key] = null;
            }
        }
        foreach ($main->select('RDATE') as $property) {
            array_push($more, ...($property instanceof Property ? $this->times->keys($property) : []));
        }
        foreach ($parts as $part) {
            if ($part !== $main || [] !== $part->select('RECURRENCE-ID')) {
                $exceptions += $this->exception($part, $fields, $main);
            }
        }

        return new ToldEvent(
            $uid,
            $fields,
            max(0, (int) (string) Times::first($main, 'SEQUENCE')),
            EventStatus::tryFrom(strtolower(trim((string) Times::first($main, 'STATUS')))) ?? EventStatus::Confirmed,
            $this->organiser($main),
            '' === $repeat && [] === $more ? [] : $exceptions,
            $more,
            $other,
            $this->partOf($main),
        );
    }

    private function partOf(VEvent $event): ?string
    {
        $which = Times::first($event, 'RECURRENCE-ID');

        return null === $which ? null : $this->times->keys($which)[0] ?? null;
    }

    private function time(VEvent $event): EventTime
    {
        $begins = $this->times->due($event, 'DTSTART') ?? throw new Refused('It does not say when it begins.');
        $ends = $this->times->due($event, 'DTEND');
        $minutes = Times::minutes($event);
        if (null === $begins->time) {
            $days = match (true) {
                null !== $ends => $begins->date->daysUntil($ends->date),
                null !== $minutes => intdiv($minutes, 1440),
                default => 1,
            };

            return EventTime::days($begins->date, max(1, $days));
        }
        if (null !== $ends?->instant()) {
            $minutes = intdiv($ends->instant()->getTimestamp() - (int) $begins->instant()?->getTimestamp(), 60);
        }

        return EventTime::from($begins, $minutes ?? 0);
    }

    /** @param list<string> $other what cannot be said here is kept there */
    private function repeat(VEvent $event, EventTime $time, array &$other): string
    {
        $rules = array_values(array_filter($event->select('RRULE'), static fn (mixed $rule): bool => $rule instanceof Property));
        $repeat = '';
        foreach ($rules as $number => $rule) {
            try {
                0 === $number ?: throw new Refused('several rules');
                $repeat = (new EventFields('x', $time, repeat: (string) $rule))->repeat;
            } catch (Refused) {
                $this->left[] = \sprintf(
                    '“%s” comes again in a way that is not known here (%s): only the first was taken.',
                    $this->title($event),
                    mb_strimwidth((string) $rule, 0, 80, '…'),
                );
                $other[] = trim($rule->serialize());
            }
        }

        return $repeat;
    }

    /** @return array<string, EventFields|null> */
    private function exception(VEvent $part, EventFields $fields, VEvent $main): array
    {
        $which = Times::first($part, 'RECURRENCE-ID');
        if (null === $which) {
            return [];
        }
        if (isset($which['RANGE'])) {
            $this->left[] = \sprintf('“%s”: that it is otherwise from %s on.', $this->title($part), (string) $which);
        }
        $key = $this->times->keys($which)[0] ?? null;
        if (null === $key) {
            return [];
        }
        if (EventStatus::Cancelled->value === strtolower(trim((string) Times::first($part, 'STATUS')))) {
            return [$key => null];
        }
        $missing = array_diff(array_map(static fn (Property $one): string => $one->name, $this->unlike($part, $main)), self::KNOWN);
        if ([] !== $missing) {
            $this->left[] = \sprintf('“%s” on %s: %s.', $this->title($part), substr($key, 0, 10), implode(', ', array_unique($missing)));
        }

        return [$key => $fields->changed(
            $this->title($part),
            $this->time($part),
            self::line($part, 'LOCATION'),
            mb_substr((string) Times::first($part, 'DESCRIPTION'), 0, EventFields::NOTES),
        )];
    }

    /** @return list<Property> that are not in the main one */
    private function unlike(VEvent $part, VEvent $main): array
    {
        $there = [];
        foreach (Times::children($main) as $child) {
            $there[$child->serialize()] = true;
        }

        return array_values(array_filter(
            Times::children($part),
            static fn (Component|Property $child): bool => $child instanceof Property && !isset($there[$child->serialize()]),
        ));
    }

    /** @return array{list<Reminder>, list<string>} reminders, and lines of which nothing is known here */
    private function rest(VEvent $event): array
    {
        $reminders = $other = [];
        $bytes = 0;
        foreach (Times::children($event) as $child) {
            if ($child instanceof Component && 'VALARM' === $child->name) {
                try {
                    $reminder = Alarms::read($child, $this->speaker);
                    $reminder->kind()->hasOneMoment() ?: throw new Refused('a reminder that comes again and again');
                    \count($reminders) >= EventFields::MOST_REMINDERS ?: $reminders[$reminder->text()] = $reminder;
                    continue;
                } catch (Refused $refused) {
                    $this->left[] = \sprintf('“%s”: %s.', $this->title($event), $refused->getMessage());
                }
            } elseif ($child instanceof Property && \in_array($child->name, self::KNOWN, true)) {
                continue;
            }
            $text = trim($child->serialize());
            $bytes += \strlen($text);
            if ($bytes > self::OTHER) {
                $this->left[] = \sprintf('“%s”: %s, which is too long to be kept.', $this->title($event), $child->name);
                break;
            }
            $other[] = $text;
        }

        return [array_values($reminders), $other];
    }

    /** @return list<Participant> */
    private function participants(VEvent $event): array
    {
        $found = [];
        foreach ($event->select('ATTENDEE') as $attendee) {
            if (!$attendee instanceof Property || \count($found) >= EventFields::MOST_PARTICIPANTS) {
                continue;
            }
            $who = self::who($attendee);
            if ('' !== $who->email) {
                $found[strtolower($who->email)] = new Participant(
                    $who,
                    Answer::tryFrom(strtolower(self::parameter($attendee, 'PARTSTAT'))) ?? Answer::None,
                    'OPT-PARTICIPANT' === strtoupper(self::parameter($attendee, 'ROLE')),
                );
            }
        }

        return array_values($found);
    }

    private function organiser(VEvent $event): ?Address
    {
        $organiser = Times::first($event, 'ORGANIZER');
        $who = null === $organiser ? null : self::who($organiser);

        return null === $who || '' === $who->email || $this->person->is($who) ? null : $who;
    }

    private function isBusy(VEvent $event): ?bool
    {
        $transparency = Times::first($event, 'TRANSP');

        return null === $transparency ? null : 'TRANSPARENT' !== strtoupper(trim((string) $transparency));
    }

    private function title(VEvent $event): string
    {
        $title = self::line($event, 'SUMMARY');

        return '' === $title ? 'An event without a title' : $title;
    }

    private static function line(VEvent $event, string $name): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', (string) Times::first($event, $name))), 0, EventFields::LINE);
    }

    private static function who(Property $property): Address
    {
        $email = (string) preg_replace('/^\s*mailto:|\s+/i', '', (string) $property);

        return new Address(Address::isValid($email) ? $email : '', mb_substr(trim(self::parameter($property, 'CN')), 0, 200));
    }

    private static function parameter(Property $property, string $name): string
    {
        $value = $property[$name];

        return $value instanceof Parameter ? (string) $value->getValue() : '';
    }
}
