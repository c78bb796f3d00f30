<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use ZippyTray\Core\Agenda\Event\Answer;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventStatus;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Agenda\Slot;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\SourceKind;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * Calendar files (iCalendar, RFC 5545) by sabre/vobject. What the standard has no word for stands in properties of our own, beside a
 * standard one where there is one that comes near.
 */
final class WriteCalendar
{
    public const ESTIMATE = 'X-ZIPPY-TRAY-ESTIMATE';

    public const LIST = 'X-ZIPPY-TRAY-LIST';

    public const START = 'X-ZIPPY-TRAY-START';

    public const REPEAT = 'X-ZIPPY-TRAY-REPEAT';

    /** "2026-11-27" or "2026-11-27 14:00 Europe/Dublin". */
    public const SLOT = 'X-ZIPPY-TRAY-SLOT';

    public const MINUTES = 'X-ZIPPY-TRAY-MINUTES';

    private const OTHER = 'X-ZIPPY-TRAY-OTHER';

    private readonly VCalendar $calendar;

    /** @var array<string, array{\DateTimeZone, int}> zones by name, and the year from which they matter */
    private array $zones = [];

    /** @var array<string, string> lines by the mark in whose place they stand */
    private array $other = [];

    /**
     * @param \DateTimeImmutable $stamp  when it is written
     * @param Address            $owner  whose events they are, where nobody else asks to them
     * @param string             $method of iTIP (RFC 5546); empty: it is no message
     */
    public function __construct(private readonly \DateTimeImmutable $stamp, private readonly Address $owner, string $method = '')
    {
        $this->calendar = new VCalendar(
            ['VERSION' => '2.0', 'PRODID' => '-//Zippy Tray//Zippy Tray//EN', 'CALSCALE' => 'GREGORIAN'],
            false,
        );
        '' === $method ?: $this->calendar->add('METHOD', strtoupper($method));
    }

    /** @param bool $isOwn whether it is written for who owns it: what reminds them, and lines that came with it, are theirs alone */
    public function event(Event $event, bool $isOwn = true): void
    {
        $fields = $event->fields();
        $component = $this->component($event, $fields);
        '' === $fields->repeat ?: $component->add('RRULE', $fields->repeat);
        foreach ($event->more() as $key) {
            Times::write($component, 'RDATE', $fields->time->beginning($key)->begins);
        }
        foreach ($event->exceptions() as $key => $told) {
            if (null === $told) {
                Times::write($component, 'EXDATE', $fields->time->beginning((string) $key)->begins);
            }
        }
        foreach ($isOwn ? $fields->reminders : [] as $reminder) {
            Alarms::write($component, $reminder, $fields->title, false);
        }
        if ($isOwn && [] !== $event->other()) {
            $mark = hash('xxh128', $event->uid());
            $this->other[$mark] = implode("\r\n", $event->other());
            $component->add(self::OTHER, $mark);
        }
        foreach ($event->exceptions() as $key => $told) {
            if (null !== $told) {
                Times::write($this->component($event, $told), 'RECURRENCE-ID', $fields->time->beginning((string) $key)->begins);
            }
        }
    }

    /**
     * It does not take place (CANCEL, RFC 5546, 3.2.5).
     *
     * @param list<Participant> $for who hears of it
     * @param string|null       $key which one of a series; null: all of it
     */
    public function cancelled(Event $event, array $for, ?string $key): void
    {
        $fields = $event->fields();
        $one = null === $key ? null : $event->occurrence($key);
        $component = $this->component($event, new EventFields(
            $fields->title,
            null === $one ? $fields->time : $one->time,
            $fields->place,
            participants: $for,
            isBusy: $fields->isBusy(),
        ));
        $component->remove('STATUS');
        $component->add('STATUS', 'CANCELLED');
        $component->remove('SEQUENCE');
        // It is newer than what they know.
        $component->add('SEQUENCE', (string) ($event->sequence() + 1));
        if (null !== $one && $event->isRepeating()) {
            Times::write($component, 'RECURRENCE-ID', $fields->time->beginning($one->key)->begins);
        }
    }

    /** What one of those who take part says (REPLY), or another time that they propose (COUNTER; RFC 5546, 3.2.3 and 3.2.7). */
    public function answer(Event $event, Participant $who, ?EventTime $proposed, string $comment): void
    {
        $fields = $event->fields();
        $told = new EventFields(
            $fields->title,
            $proposed ?? $fields->time,
            $fields->place,
            participants: [$who],
            isBusy: $fields->isBusy(),
        );
        $component = $this->component($event, $told);
        '' === $comment ?: $component->add('COMMENT', $comment);
    }

    /** When a task is meant to be done, for programs that only show what takes place. */
    public function slot(Slot $slot, string $title): void
    {
        $component = $this->add('VEVENT', $slot->id->text, $title);
        $when = $slot->when();
        $this->need($when);
        Times::write($component, 'DTSTART', $when);
        null === $when->time ?: $component->add('DURATION', 'PT'.$slot->minutes().'M');
        $component->add('TRANSP', null === $when->time ? 'TRANSPARENT' : 'OPAQUE');
    }

    /**
     * @param list<string> $labels names
     * @param list<Slot>   $slots
     */
    public function task(Task $task, string $list, array $labels, array $slots): void
    {
        $todo = $this->add('VTODO', $task->id->text, $task->title());
        '' === $task->notes() ?: $todo->add('DESCRIPTION', $task->notes());
        [$start, $due] = [$task->start(), $task->due()];
        $this->need($start, $due);
        null === $due ?: Times::write($todo, 'DUE', $due);
        $repeat = $task->repeat();
        $isAlike = null !== $start && (null === $due || (null === $start->time) === (null === $due->time));
        // Both have to be of one kind, and what repeats has to begin (RFC 5545, 3.8.2.3 and 3.8.2.4).
        match (true) {
            null !== $start && $isAlike => Times::write($todo, 'DTSTART', $start),
            null !== $repeat && null !== $due => Times::write($todo, 'DTSTART', $due),
            default => null,
        };
        null === $start || $isAlike ?: Times::write($todo, self::START, $start);
        if (null !== $repeat) {
            $todo->add('RRULE', $repeat->rule->rrule(null === $repeat->clock ? null : $repeat->zone));
            $todo->add(self::REPEAT, http_build_query([
                'since' => (string) $repeat->since,
                'on' => (string) $repeat->on,
                'from-completion' => $repeat->fromCompletion ? 'yes' : 'no',
            ]));
        }
        Priority::Normal === $task->priority() ?: $todo->add('PRIORITY', Priority::High === $task->priority() ? '1' : '9');
        $todo->add('STATUS', $task->isDone() ? 'COMPLETED' : 'NEEDS-ACTION');
        null === $task->completedAt() ?: $todo->add('COMPLETED', $task->completedAt()->format('Ymd\THis\Z'));
        null === $task->estimated() ?: $todo->add(self::ESTIMATE, \sprintf('PT%dM', $task->estimated()));
        [] === $labels ?: $todo->add('CATEGORIES', $labels);
        $todo->add(self::LIST, $list);
        null === $task->parentId() ?: $todo->add('RELATED-TO', $task->parentId()->text);
        foreach ($task->sources() as $source) {
            SourceKind::Web !== $source->kind ?: $todo->add('URL', $source->ref);
        }
        foreach ($slots as $slot) {
            $todo->add(self::SLOT, self::written($slot->when()), [self::MINUTES => (string) $slot->minutes()]);
        }
        foreach ($task->reminders() as $reminder) {
            Alarms::write($todo, $reminder, $task->title(), null !== $due);
        }
    }

    public function text(): string
    {
        foreach ($this->zones as [$zone, $since]) {
            TimeZones::add($this->calendar, $zone, $since);
        }
        $text = $this->calendar->serialize();
        foreach ($this->other as $mark => $lines) {
            $text = str_replace(self::OTHER.':'.$mark, $lines, $text);
        }
        $this->calendar->destroy();

        return $text;
    }

    /** @throws Refused when it says no time */
    public static function readSlot(string $text): Due
    {
        [$day, $time, $zone] = explode(' ', trim($text), 3) + [1 => '', 2 => ''];

        return '' === $time || '' === $zone
            ? Due::onDay(LocalDate::parse($day))
            : Due::at(LocalDate::parse($day), TimeOfDay::parse($time), Moment::zone($zone));
    }

    private static function written(Due $when): string
    {
        return trim($when->date.' '.$when->time.' '.$when->zone?->getName());
    }

    private function component(Event $event, EventFields $fields): Component
    {
        $component = $this->add('VEVENT', $event->uid(), $fields->title);
        $this->need($fields->time->begins);
        Times::write($component, 'DTSTART', $fields->time->begins);
        if ($fields->time->isWholeDays()) {
            Times::write($component, 'DTEND', Due::onDay($fields->time->begins->date->plusDays($fields->time->days)));
        } elseif ($fields->time->minutes > 0) {
            $component->add('DURATION', 'PT'.$fields->time->minutes.'M');
        }
        '' === $fields->place ?: $component->add('LOCATION', $fields->place);
        '' === $fields->notes ?: $component->add('DESCRIPTION', $fields->notes);
        $component->add('SEQUENCE', (string) $event->sequence());
        EventStatus::Confirmed === $event->status() ?: $component->add('STATUS', strtoupper($event->status()->value));
        $component->add('TRANSP', $fields->isBusy() ? 'OPAQUE' : 'TRANSPARENT');
        $organiser = $event->organiser();
        if (null !== $organiser || [] !== $fields->participants) {
            $this->person($component, 'ORGANIZER', $organiser ?? $this->owner);
        }
        foreach ($fields->participants as $one) {
            $this->person($component, 'ATTENDEE', $one->who, $one);
        }

        return $component;
    }

    private function person(Component $component, string $name, Address $who, ?Participant $participant = null): void
    {
        $parameters = '' === $who->name ? [] : ['CN' => $who->name];
        if (null !== $participant) {
            $parameters += ['PARTSTAT' => strtoupper($participant->answer->value)];
            $parameters += $participant->isOptional ? ['ROLE' => 'OPT-PARTICIPANT'] : [];
            $parameters += Answer::None === $participant->answer ? ['RSVP' => 'TRUE'] : [];
        }
        $component->add($name, 'mailto:'.$who->email, $parameters);
    }

    private function add(string $name, string $uid, string $title): Component
    {
        $component = $this->calendar->createComponent($name, [
            'UID' => $uid,
            'DTSTAMP' => $this->stamp->setTimezone(new \DateTimeZone('UTC')),
            'SUMMARY' => $title,
        ], false);
        $this->calendar->add($component);

        return $component;
    }

    private function need(?Due ...$dues): void
    {
        foreach ($dues as $due) {
            $zone = null === $due ? null : Times::zoneOf($due);
            if (null !== $due && null !== $zone) {
                $since = min($this->zones[$zone->getName()][1] ?? 9999, $due->date->year());
                $this->zones[$zone->getName()] = [$zone, $since];
            }
        }
    }
}
