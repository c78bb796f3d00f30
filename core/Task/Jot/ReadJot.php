<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Jot;

use ZippyTray\Core\Label\LabelName;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Task\Source;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Reading;
use ZippyTray\Core\Time\Field\ReadingKind;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\Unreadable;

/**
 * Reads a task written down in one line: a title, then clauses in plain words, each behind a semicolon.
 *
 *     line     = title { ";" clause }
 *     clause   = ["by" | "due" | "on"] when | ("start" | "starts" | "starting" | "from") when | "every" …
 *              | ("remind" | "reminder") ["me"] reminder | "list" name | ("label" | "labels") name { "," name }
 *              | ["priority"] ("high" | "normal" | "low") ["priority"] | ["takes" | "estimate"] span
 *              | ("note" | "notes") text | web address
 */
final class ReadJot
{
    private ?Due $due = null;

    private ?Due $start = null;

    private ?Repeat $repeat = null;

    private ?string $list = null;

    private ?int $estimate = null;

    private ?Priority $priority = null;

    /** @var list<string> */
    private array $labels = [];

    /** @var list<Reminder> */
    private array $reminders = [];

    /** @var list<Source> */
    private array $sources = [];

    /** @var list<string> */
    private array $notes = [];

    /** @param list<string>|null $lists */
    private function __construct(private readonly Speaker $speaker, private readonly ?array $lists)
    {
    }

    /** @param list<string>|null $lists the names of the lists that there are; null: it is not asked whether one is new */
    public static function of(string $line, Speaker $speaker, ?array $lists = null): Jot
    {
        return (new self($speaker, $lists))->read($line);
    }

    private function read(string $line): Jot
    {
        $clauses = [];
        foreach (self::parts($line) as $number => $part) {
            if (0 === $number) {
                $clauses[] = '' === $part->text
                    ? $part
                    : new Clause(ClauseKind::Title, $part->text, $part->from, $part->to, $part->text);
            } else {
                $clauses[] = $this->clause($part->text, $part->from, $part->to);
            }
        }

        $clauses = array_map($this->beside(...), $this->withoutStartAfterDue($clauses));

        return new Jot($clauses, new TaskFields(
            $clauses[0]->text,
            implode("\n", $this->notes),
            $this->due,
            $this->list,
            $this->start,
            $this->estimate,
            $this->priority ?? Priority::Normal,
            $this->labels,
            $this->repeat,
            $this->reminders,
            $this->sources,
        ));
    }

    /**
     * The line cut up; nothing of it is read yet.
     *
     * @return non-empty-list<Clause> the title first, which may be empty
     */
    public static function parts(string $line): array
    {
        $parts = [];
        $at = 0;
        foreach (explode(';', mb_scrub($line)) as $part) {
            $text = trim((string) preg_replace('/\s+/u', ' ', $part));
            $from = $at + mb_strlen($part) - mb_strlen(ltrim($part));
            $to = max($from, $at + mb_strlen(rtrim($part)));
            $at += mb_strlen($part) + 1;
            if ([] === $parts || '' !== $text) {
                $parts[] = new Clause(
                    ClauseKind::Unread,
                    $text,
                    $from,
                    $to,
                    [] === $parts ? 'A task needs a title: what is to be done?' : '',
                );
            }
        }

        return $parts;
    }

    /**
     * @param list<Clause> $clauses
     *
     * @return list<Clause>
     */
    private function withoutStartAfterDue(array $clauses): array
    {
        $due = $this->due ?? $this->repeat?->due();
        if (null === $this->start || null === $due || !$this->start->isAfter($due, $this->speaker->now->zone)) {
            return $clauses;
        }
        $sentence = \sprintf('It would begin (%s) after it is due (%s).', $this->start->text(), $due->text());
        $this->start = null;

        return array_map(function (Clause $clause) use ($sentence): Clause {
            if (ClauseKind::Start !== $clause->kind) {
                return $clause;
            }
            $this->notes[] = $clause->text;

            return new Clause(ClauseKind::Unread, $clause->text, $clause->from, $clause->to, $sentence);
        }, $clauses);
    }

    /** What only all clauses together tell: a repeat follows from the due beside it, and some are odd. */
    private function beside(Clause $clause): Clause
    {
        $due = $this->due ?? $this->repeat?->due();
        $now = $this->speaker->now;
        if (ClauseKind::Repeat === $clause->kind && null !== $this->due) {
            try {
                $reading = $this->speaker->read(
                    (string) preg_replace('/^(?:by|due:?|due\s+by)\s+/iu', '', $clause->text),
                    $this->due->date,
                );
                $this->repeat = Repeat::of($reading, $now->zone);

                return $clause->readAs($reading->text())->odd($reading->oddBeside($this->due));
            } catch (Unreadable) {
                return $clause;
            }
        }

        return $clause->odd(match ($clause->kind) {
            ClauseKind::Due => null !== $this->due && $this->isPast($this->due) ? 'That is past already.' : '',
            ClauseKind::Reminder => $this->oddReminder($clause, $due),
            ClauseKind::List => null === $this->lists
                || \in_array(mb_strtolower((string) $this->list), array_map(mb_strtolower(...), $this->lists), true)
                ? ''
                : 'There is no such list yet: it is made.',
            default => '',
        });
    }

    private function isPast(Due $due): bool
    {
        $now = $this->speaker->now;

        return null === $due->time ? $due->date->isBefore($now->date()) : null !== $due->instant() && $due->instant() <= $now->instant;
    }

    private function oddReminder(Clause $clause, ?Due $due): string
    {
        $now = $this->speaker->now;
        foreach ($this->reminders as $reminder) {
            if ($reminder->text() !== $clause->reading) {
                continue;
            }
            $moment = $reminder->moment($this->start, $due, $now->zone, $this->speaker->settings, $now->instant);

            return match (true) {
                null === $moment => 'It counts from a date, and there is none: it does not remind.',
                !$moment->isAfter($now->instant) => 'That is past already: it does not remind.',
                default => '',
            };
        }

        return '';
    }

    private function clause(string $text, int $from, int $to): Clause
    {
        try {
            [$kind, $reading, $others] = $this->taken($text) + [2 => []];

            return new Clause($kind, $text, $from, $to, $reading, $others);
        } catch (Unreadable|Refused $problem) {
            $this->notes[] = $text;

            return new Clause(ClauseKind::Unread, $text, $from, $to, $problem->getMessage());
        }
    }

    /**
     * @return array{0: ClauseKind, 1: string, 2?: list<string>} what it is, what it was read as, other readings
     *
     * @throws Unreadable
     * @throws Refused
     */
    private function taken(string $text): array
    {
        $is = static function (string $pattern) use ($text): ?string {
            return 1 === preg_match('/^(?:'.$pattern.')(?:\s+|$)(.*)$/iu', $text, $match) ? trim($match[1]) : null;
        };

        return match (true) {
            1 === preg_match('~^https?://~i', $text) => $this->web($text),
            null !== $rest = $is('notes?:?') => $this->note($rest),
            null !== $rest = $is('list:?') => $this->inList($rest),
            null !== $rest = $is('labels?:?') => $this->labelled($rest),
            null !== $rest = $is('remind(?:ers?)?(?:\s+me)?:?') => $this->remindedOf($rest),
            1 === preg_match(
                '/^(?:priority:?\s+)?(high|normal|low)(?:\s+priority)?$/i',
                $text,
                $match,
            ) => $this->prioritised(Priority::from(strtolower($match[1]))),
            null !== $rest = $is('starts?|starting|from|begins?') => $this->starting($rest),
            null !== $rest = $is('takes?|estimate:?') => $this->estimated($rest),
            null !== $rest = $is('by|due:?|due\s+by') => $this->dueAt($rest),
            $this->isSpan($text) => $this->estimated($text),
            default => $this->dueAt($text),
        };
    }

    /** @return array{ClauseKind, string} */
    private function web(string $address): array
    {
        $this->sources[] = Source::web($address);

        return [ClauseKind::Web, $address];
    }

    /** @return array{ClauseKind, string} */
    private function note(string $text): array
    {
        $this->notes[] = $text;

        return [ClauseKind::Note, $text];
    }

    /** @return array{ClauseKind, string} */
    private function inList(string $name): array
    {
        $this->once($this->list, 'list');
        $this->list = TaskList::checked($name);

        return [ClauseKind::List, $this->list];
    }

    /** @return array{ClauseKind, string} */
    private function labelled(string $names): array
    {
        $labels = LabelName::each(explode(',', $names));
        if ([] === $labels) {
            throw new Refused('Which label?', 'labels');
        }
        $this->labels = LabelName::each([...$this->labels, ...$labels]);

        return [ClauseKind::Labels, implode(', ', $labels)];
    }

    /** @return array{ClauseKind, string} */
    private function remindedOf(string $phrase): array
    {
        $reminder = ReadReminder::of($phrase, $this->speaker);
        $this->reminders[] = $reminder;

        return [ClauseKind::Reminder, $reminder->text()];
    }

    /** @return array{ClauseKind, string} */
    private function prioritised(Priority $priority): array
    {
        $this->once($this->priority, 'priority');
        $this->priority = $priority;

        return [ClauseKind::Priority, $priority->value];
    }

    /** @return array{ClauseKind, string, list<string>} */
    private function starting(string $phrase): array
    {
        $this->once($this->start, 'start');
        $reading = $this->speaker->read($phrase);
        $start = $this->speaker->due($phrase, 'start');
        $this->start = $start;

        return [ClauseKind::Start, $start->text(), self::others($reading)];
    }

    /** @return array{ClauseKind, string} */
    private function estimated(string $phrase): array
    {
        $this->once($this->estimate, 'estimate');
        $this->estimate = $this->speaker->readMinutes($phrase);

        return [ClauseKind::Estimate, (new Span(minutes: $this->estimate))->text()];
    }

    /** @return array{ClauseKind, string, list<string>} */
    private function dueAt(string $phrase): array
    {
        $reading = $this->speaker->read($phrase);
        if (ReadingKind::Repeat === $reading->kind) {
            $this->once($this->repeat, 'repeat');
            $this->repeat = Repeat::of($reading, $this->speaker->now->zone);

            return [ClauseKind::Repeat, $reading->text(), self::others($reading)];
        }
        $this->once($this->due, 'due');
        $this->due = $reading->due();

        return [ClauseKind::Due, $this->due->text(), self::others($reading)];
    }

    private function isSpan(string $text): bool
    {
        try {
            return $this->speaker->readMinutes($text) > 0;
        } catch (Unreadable) {
            return false;
        }
    }

    /** @throws Refused */
    private function once(mixed $value, string $what): void
    {
        if (null !== $value) {
            throw new Refused(\sprintf('There is %s already.', match ($what) {
                'estimate' => 'an estimate',
                'due', 'start' => "a {$what} date",
                default => 'a '.$what,
            }), $what);
        }
    }

    /** @return list<string> */
    private static function others(Reading $reading): array
    {
        return array_map(static fn (Reading $other): string => $other->text(), $reading->alternatives);
    }
}
