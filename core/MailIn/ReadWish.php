<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Jot\Clause;
use ZippyTray\Core\Task\Jot\ClauseKind;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Time\Field\Speaker;

/**
 * Reads what a letter asks for by its addresses, its first line and the lines above its first empty one.
 *
 *     detail  = word { ("." | "-" | "_") word }      between "+" and "@"; "+" stands between two of them
 *     word    = "task", or those of a clause of a jotted line (ReadJot): "list.harbour", "high", "tomorrow.9am", "every.friday"
 *
 * A time alone means: back then; of a letter to somebody else, unless they have answered. With anything else, or when it repeats, it is
 * the due of a task. A letter to oneself can have the same in its first line, behind "+", with blanks or dots; and clauses of a jotted
 * line in the lines above the first empty one.
 */
final readonly class ReadWish
{
    private const TASK = 'task';

    /** So many lines above the first empty one are looked at. */
    private const LINES = 12;

    /** @param list<string> $lists the names of the lists that there are */
    public function __construct(private Person $person, private Speaker $speaker, private array $lists)
    {
    }

    /** @param list<string> $details see Asking */
    public function of(Message $message, array $details): Wish
    {
        $others = array_values(array_filter($message->to, $this->isOther(...)));
        $others = [] === $others ? array_values(array_filter($message->cc, $this->isOther(...))) : $others;
        $lines = [] === $others ? $this->above($message->text) : [];
        $first = Asking::isToOneself([...$message->to, ...$message->cc], $this->person) ? Asking::firstLine($message->text) : null;
        if (null !== $first) {
            array_shift($lines);
        }
        [$isTask, $times, $clauses, $troubles] = $this->asked($details, $first ?? '');
        $isWhole = [] === $troubles;
        [$told, $untold] = $this->told($lines);
        array_push($troubles, ...$untold);
        if (!$isTask && [] === $times && [] === $told && 1 === \count($clauses) && $this->isSpan($clauses[0])) {
            // Beside a task it says how long that takes; alone it is a time from now.
            [$times, $clauses] = [$clauses, []];
        }
        $clauses = [...$told, ...$clauses];
        $repeats = array_filter($times, fn (string $time): bool => ClauseKind::Repeat === $this->clause($time)?->kind);
        if ($isTask || [] !== $clauses || [] !== $repeats) {
            $jot = ReadJot::of(implode('; ', [$this->title($message), ...$clauses, ...$times]), $this->speaker, $this->lists);
            foreach ($jot->clauses as $clause) {
                if (ClauseKind::Unread === $clause->kind) {
                    $troubles[] = \sprintf('“%s”: %s', $clause->text, $clause->reading);
                }
            }

            return new Wish($jot->fields, troubles: $troubles, isWhole: $isWhole);
        }
        foreach (\array_slice($times, 1) as $time) {
            $troubles[] = \sprintf('“%s”: there is a time already.', $time);
        }
        try {
            return [] === $times
                ? new Wish(troubles: $troubles, isWhole: $isWhole)
                : new Wish(until: $this->speaker->moment($times[0], 'until'), people: $others, troubles: $troubles, isWhole: $isWhole);
        } catch (Refused $refused) {
            return new Wish(troubles: [...$troubles, \sprintf('“%s”: %s', $times[0], $refused->getMessage())], isWhole: false);
        }
    }

    /**
     * @param list<string> $details
     *
     * @return array{bool, list<string>, list<string>, list<string>} whether a task is asked for; times; other clauses; what cannot be read
     */
    private function asked(array $details, string $first): array
    {
        [$isTask, $times, $clauses, $troubles] = [false, [], [], []];
        $parts = preg_split('/\s*;\s*|\s*\+(?=\p{L}|\d)/u', $first, -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        foreach ([...$details, ...$parts] as $detail) {
            $words = trim((string) preg_replace('/[\s._:-]+/u', ' ', $detail));
            if (self::TASK === mb_strtolower($words)) {
                $isTask = true;
                continue;
            }
            if (1 === preg_match('/^task (.+)$/iu', $words)) {
                $isTask = true;
                $detail = (string) preg_replace('/^\s*task[\s._:-]+/iu', '', $detail);
            }
            $read = $this->read($detail);
            if (null === $read) {
                $troubles[] = \sprintf('“+%s” was not understood.', $detail);
                continue;
            }
            foreach ($read as $text) {
                $isTime = \in_array($this->clause($text)?->kind, [ClauseKind::Due, ClauseKind::Repeat], true);
                $isTime && 1 !== preg_match('/^(?:by|due)\b/iu', $text)
                    ? $times[] = $text
                    : $clauses[] = $text;
            }
        }

        return [$isTask, array_values(array_unique($times)), $clauses, $troubles];
    }

    private function isSpan(string $text): bool
    {
        return ClauseKind::Estimate === $this->clause($text)?->kind && 1 !== preg_match('/^(?:takes?|estimate)\b/iu', $text);
    }

    /** @return list<string>|null clauses of a jotted line; null when it is none */
    private function read(string $detail): ?array
    {
        $words = preg_split('/[\s._-]+/u', $detail, -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        if ('list' === mb_strtolower($words[0] ?? '') && \count($words) > 1) {
            return $this->inList(\array_slice($words, 1));
        }
        foreach (self::spellings($detail) as $text) {
            if (null !== $this->clause($text)) {
                return [$text];
            }
        }

        return null;
    }

    /**
     * In an address a blank is a dot or a dash, and so is what stands within a date or a time.
     *
     * @return list<string> what may be meant, the likelier first
     */
    private static function spellings(string $detail): array
    {
        $blank = static fn (string $signs, string $text): string => trim((string) preg_replace($signs, ' ', $text));
        $timed = static fn (string $text): string => (string) preg_replace('/(?<!\d)(\d{1,2})[.-](\d\d)(?!\d|[.-]\d)/', '$1:$2', $text);
        $clock = $timed($detail);
        // A date as ISO 8601 writes it has dashes of its own.
        $isDated = 1 === preg_match('/^(.*?)(?<!\d)(\d{4}-\d\d-\d\d)(?!\d)(.*)$/u', $detail, $date);

        return array_values(array_unique([
            ...($isDated ? [$blank('/[\s._-]+/u', $date[1]).' '.$date[2].' '.$blank('/[\s._-]+/u', $timed($date[3]))] : []),
            $blank('/[\s._-]+/u', $detail),
            $blank('/[\s._-]+/u', $clock),
            $blank('/[\s._]+/u', $detail),
            $blank('/[\s_-]+/u', $detail),
            $blank('/[\s_]+/u', $detail),
            $blank('/(?<!\d)[._-]+|[._-]+(?!\d)|\s+/u', $detail),
            $blank('/(?<!\d)[._-]+|[._-]+(?!\d)|\s+/u', $clock),
        ]));
    }

    /**
     * The longest beginning that is a list, and a time behind it; otherwise all of it is the name of a new one.
     *
     * @param non-empty-list<string> $words
     *
     * @return list<string>|null
     */
    private function inList(array $words): ?array
    {
        for ($length = \count($words); $length > 0; --$length) {
            $rest = implode('.', \array_slice($words, $length));
            foreach ($this->lists as $name) {
                if (self::folded($name) === self::folded(implode('', \array_slice($words, 0, $length)))) {
                    $read = '' === $rest ? [] : $this->read($rest);
                    if (null !== $read) {
                        return ['list '.$name, ...$read];
                    }
                }
            }
        }
        $clause = 'list '.mb_convert_case(mb_substr($words[0], 0, 1), \MB_CASE_UPPER).mb_substr(implode(' ', $words), 1);

        return null === $this->clause($clause) ? null : [$clause];
    }

    private static function folded(string $name): string
    {
        $plain = \Normalizer::normalize(mb_strtolower($name), \Normalizer::FORM_D);

        return (string) preg_replace('/[^\p{L}\d]+/u', '', (string) preg_replace('/\p{Mn}+/u', '', \is_string($plain) ? $plain : $name));
    }

    /** @return Clause|null null when it is none */
    private function clause(string $text): ?Clause
    {
        $clause = ReadJot::of('x; '.str_replace(';', ' ', $text), $this->speaker)->clauses[1] ?? null;

        return null === $clause || ClauseKind::Unread === $clause->kind ? null : $clause;
    }

    /**
     * The lines above the first empty one are clauses when the first of them is, or when they are written as clauses are.
     *
     * @param list<string> $lines
     *
     * @return array{list<string>, list<string>} clauses; what is written among them and is none
     */
    private function told(array $lines): array
    {
        $parts = array_values(array_filter(array_map(trim(...), preg_split('/[;\n]/u', implode("\n", $lines)) ?: [])));
        $read = array_values(array_filter($parts, fn (string $part): bool => null !== $this->clause($part)));
        $isWritten = [] !== $read && ($parts[0] === $read[0] || (\count($lines) < \count($parts) && 2 * \count($read) >= \count($parts)));
        if (!$isWritten) {
            return [[], []];
        }
        $rest = array_values(array_diff($parts, $read));

        return [
            [...$read, ...array_map(static fn (string $part): string => 'note '.$part, $rest)],
            array_map(static fn (string $part): string => \sprintf('“%s” was not understood. It is in the notes.', $part), $rest),
        ];
    }

    /** @return list<string> */
    private function above(string $text): array
    {
        $written = ltrim((new BodyText())->written(mb_strcut($text, 0, 8000)));
        $lines = \array_slice(explode("\n", (string) preg_replace('/\n[ \t]*\n.*$/s', '', $written)), 0, self::LINES);

        return array_values(array_filter(array_map(static fn (string $line): string => mb_substr(trim($line), 0, 300), $lines)));
    }

    private function title(Message $message): string
    {
        $subject = SubjectLine::cleaned($message->subject);
        if ('' === $subject) {
            $written = (new BodyText())->written(mb_strcut($message->text, 0, 8000));
            $below = trim((string) preg_replace('/^\s*\+[^\n]*\n?/u', '', $written));
            $subject = trim(explode("\n", $below, 2)[0]);
        }
        $title = trim((string) preg_replace('/[;\s]+/u', ' ', mb_strimwidth($subject, 0, Task::TITLE_LENGTH, '…')));

        return '' === $title ? 'Letter of '.$message->sentAt->text() : $title;
    }

    private function isOther(Address $one): bool
    {
        return !$this->person->isAddressedAs($one->email);
    }
}
