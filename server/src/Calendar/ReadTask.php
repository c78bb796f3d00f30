<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Sabre\VObject\Component;
use Sabre\VObject\Component\VTodo;
use Sabre\VObject\Parameter;
use Sabre\VObject\Property;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Task\Source;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\Reminder;

/**
 * A task out of a calendar object (VTODO, RFC 5545, 3.6.2).
 */
final class ReadTask
{
    private const LINE = 500;

    private const NOTES = 50_000;

    /** What is read into something of its own, or made anew when it is written. */
    private const KNOWN = [
        'UID', 'SUMMARY', 'DESCRIPTION', 'DTSTART', 'DUE', 'RRULE', 'PRIORITY', 'STATUS', 'COMPLETED', 'PERCENT-COMPLETE', 'CATEGORIES',
        'URL', 'RELATED-TO', 'DTSTAMP', 'CREATED', 'LAST-MODIFIED', 'SEQUENCE', 'DURATION', 'CLASS', 'TRANSP',
        WriteCalendar::ESTIMATE, WriteCalendar::LIST, WriteCalendar::SLOT, WriteCalendar::START, WriteCalendar::REPEAT,
    ];

    /** @var list<string> */
    public array $left = [];

    private readonly Times $times;

    public function __construct(private readonly Speaker $speaker)
    {
        $this->times = new Times($speaker->now->zone);
    }

    /** @throws Refused when nothing can be made of it */
    public function read(string $uid, VTodo $todo): ToldTask
    {
        $title = mb_substr(trim((string) preg_replace('/\s+/u', ' ', (string) Times::first($todo, 'SUMMARY'))), 0, self::LINE);
        if ('' === $title) {
            throw new Refused('A task without a title.');
        }
        $due = $this->times->due($todo, 'DUE');
        $start = $this->times->due($todo, WriteCalendar::START) ?? $this->times->due($todo, 'DTSTART');
        if (null !== $due && null !== $start && $start->isAfter($due, $this->speaker->now->zone)) {
            $this->left[] = \sprintf('“%s”: that it begins on %s, after it is due.', $title, $start->text());
            $start = null;
        }
        $repeat = $this->repeat($todo, $title, $due ?? $start);
        $this->noteOthers($todo, $title);

        return new ToldTask($uid, new TaskFields(
            $title,
            mb_substr((string) Times::first($todo, 'DESCRIPTION'), 0, self::NOTES),
            $due,
            self::text($todo, WriteCalendar::LIST),
            // A rule needs a start, also where none is meant.
            null !== $repeat && null !== $due && true === $start?->date->equals($due->date) ? null : $start,
            $this->estimate($todo, null === $due),
            $this->priority($todo),
            self::labels($todo),
            $repeat,
            $this->reminders($todo, $title),
            $this->sources($todo),
        ), $this->isDone($todo), self::parent($todo), $this->slots($todo));
    }

    private function repeat(VTodo $todo, string $title, ?Due $due): ?Repeat
    {
        $rule = Times::first($todo, 'RRULE');
        if (null === $rule || null === $due) {
            null === $rule ?: $this->left[] = \sprintf('“%s”: its repeat, for it has no date.', $title);

            return null;
        }
        $zone = $due->zone ?? $this->speaker->now->zone;
        try {
            parse_str((string) self::text($todo, WriteCalendar::REPEAT), $said);
            $day = static fn (string $name): LocalDate => \is_string($said[$name] ?? null) ? LocalDate::parse($said[$name]) : $due->date;

            return new Repeat(
                Rule::parse(self::completed((string) $rule, $due->date), null === $due->time ? null : $zone),
                $due->time,
                $zone,
                'yes' === ($said['from-completion'] ?? ''),
                $day('since'),
                $day('on'),
            );
        } catch (Refused) {
            $this->left[] = \sprintf('“%s”: that it comes again (%s).', $title, mb_strimwidth((string) $rule, 0, 80, '…'));

            return null;
        }
    }

    /** What a rule leaves to the day on which it begins (RFC 5545, 3.3.10). */
    private static function completed(string $rule, LocalDate $day): string
    {
        $has = static fn (string $part): bool => str_contains(strtoupper($rule), $part.'=');
        if ($has('BYDAY') || $has('BYMONTHDAY')) {
            return $rule;
        }

        return $rule.match (1 === preg_match('/FREQ=(\w+)/i', $rule, $match) ? strtoupper($match[1]) : '') {
            'WEEKLY' => ';BYDAY='.['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'][$day->weekday() - 1],
            'MONTHLY' => ';BYMONTHDAY='.$day->day(),
            'YEARLY' => ($has('BYMONTH') ? '' : ';BYMONTH='.$day->month()).';BYMONTHDAY='.$day->day(),
            default => '',
        };
    }

    private function estimate(VTodo $todo, bool $mayBeDuration): ?int
    {
        $minutes = Times::minutes($todo, WriteCalendar::ESTIMATE)
            ?? (1 === preg_match('/^PT(\d{1,6})M$/D', (string) self::text($todo, WriteCalendar::ESTIMATE), $match) ? (int) $match[1] : null)
            ?? ($mayBeDuration ? Times::minutes($todo) : null);

        return null === $minutes || $minutes < 1 ? null : $minutes;
    }

    /** From 1 the highest to 9; 0 is none (RFC 5545, 3.8.1.9). */
    private function priority(VTodo $todo): Priority
    {
        $number = (int) (string) Times::first($todo, 'PRIORITY');

        return match (true) {
            $number >= 1 && $number <= 4 => Priority::High,
            $number >= 6 && $number <= 9 => Priority::Low,
            default => Priority::Normal,
        };
    }

    /** @return list<string> */
    private static function labels(VTodo $todo): array
    {
        $labels = [];
        foreach ($todo->select('CATEGORIES') as $property) {
            foreach ($property instanceof Property ? $property->getParts() : [] as $label) {
                $label = mb_substr(trim((string) preg_replace('/\s+/u', ' ', \is_string($label) ? $label : '')), 0, 60);
                '' === $label ?: $labels[mb_strtolower($label)] = $label;
            }
        }

        return \array_slice(array_values($labels), 0, 20);
    }

    /** @return list<Reminder> */
    private function reminders(VTodo $todo, string $title): array
    {
        $reminders = [];
        foreach ($todo->select('VALARM') as $alarm) {
            if (!$alarm instanceof Component || \count($reminders) >= 20) {
                continue;
            }
            try {
                $reminder = Alarms::read($alarm, $this->speaker);
                $reminders[$reminder->text()] = $reminder;
            } catch (Refused $refused) {
                $this->left[] = \sprintf('“%s”: %s.', $title, $refused->getMessage());
            }
        }

        return array_values($reminders);
    }

    /** @return list<Source> */
    private function sources(VTodo $todo): array
    {
        $address = self::text($todo, 'URL');
        try {
            return null === $address || 1 !== preg_match('~^https?://~i', $address) ? [] : [Source::web($address)];
        } catch (Refused) {
            return [];
        }
    }

    private function isDone(VTodo $todo): bool
    {
        return 'COMPLETED' === strtoupper((string) self::text($todo, 'STATUS')) || [] !== $todo->select('COMPLETED');
    }

    private static function parent(VTodo $todo): ?string
    {
        $related = Times::first($todo, 'RELATED-TO');
        $kind = $related['RELTYPE'] ?? null;

        return null === $related || ($kind instanceof Parameter && 'PARENT' !== strtoupper((string) $kind->getValue()))
            ? null
            : mb_substr(trim((string) $related), 0, 255);
    }

    /** @return list<array{when: Due, minutes: int}> */
    private function slots(VTodo $todo): array
    {
        $slots = [];
        foreach (\array_slice($todo->select(WriteCalendar::SLOT), 0, 100) as $slot) {
            if (!$slot instanceof Property) {
                continue;
            }
            $minutes = $slot[WriteCalendar::MINUTES];
            $minutes = $minutes instanceof Parameter ? (int) (string) $minutes->getValue() : 0;
            try {
                $when = WriteCalendar::readSlot((string) $slot);
                0 >= $minutes ?: $slots[] = ['when' => $when, 'minutes' => $minutes];
            } catch (Refused) {
                $this->left[] = 'A slot of “'.(string) Times::first($todo, 'SUMMARY').'”.';
            }
        }

        return $slots;
    }

    private function noteOthers(VTodo $todo, string $title): void
    {
        $names = [];
        foreach (Times::children($todo) as $child) {
            if ('VALARM' !== $child->name && !\in_array($child->name, self::KNOWN, true)) {
                $names[$child->name] = true;
            }
        }[] === $names ?: $this->left[] = \sprintf('“%s”: %s.', $title, implode(', ', array_keys($names)));
    }

    private static function text(VTodo $todo, string $name): ?string
    {
        $property = Times::first($todo, $name);
        $text = null === $property ? '' : trim((string) $property);

        return '' === $text ? null : $text;
    }
}
