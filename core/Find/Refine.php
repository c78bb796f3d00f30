<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

use ZippyTray\Core\Find\Node\Refined;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Place;

/**
 * The refinements, as plain words: the words that lead each, and what may follow them. One whose words could as well be looked for is
 * only one where what follows makes sense; of all others it is said why they cannot be read.
 */
final readonly class Refine
{
    /** What a refinement begins with, the longer before the shorter. Those without a value stand for themselves. */
    private const LEADS = [
        'has an open task' => Refinement::HasTask, 'with an open task' => Refinement::HasTask, 'has open task' => Refinement::HasTask,
        'with open task' => Refinement::HasTask, 'has a task' => Refinement::HasTask, 'with task' => Refinement::HasTask,
        'asks for something' => Refinement::Asks, 'asks something' => Refinement::Asks,
        'with an attachment' => Refinement::Attachment, 'with attachments' => Refinement::Attachment,
        'with attachment' => Refinement::Attachment, 'has attachments' => Refinement::Attachment,
        'has attachment' => Refinement::Attachment,
        'owed to me' => Refinement::Owed, 'is owed' => Refinement::Owed, 'owed' => Refinement::Owed,
        'not decided' => Refinement::Undecided, 'undecided' => Refinement::Undecided,
        'decided as' => Refinement::DecidedAs, 'larger than' => Refinement::LargerThan, 'bigger than' => Refinement::LargerThan,
        'is unread' => Refinement::Unread, 'unread' => Refinement::Unread,
        'due before' => Refinement::DueBefore, 'due by' => Refinement::DueBefore, 'due after' => Refinement::DueAfter,
        'is overdue' => Refinement::Overdue, 'overdue' => Refinement::Overdue,
        'without a date' => Refinement::WithoutDate, 'without date' => Refinement::WithoutDate, 'no date' => Refinement::WithoutDate,
        'due' => Refinement::Due, 'priority' => Refinement::Priority,
        'high priority' => Refinement::Priority, 'low priority' => Refinement::Priority, 'normal priority' => Refinement::Priority,
        'that repeats' => Refinement::Repeats, 'repeats' => Refinement::Repeats, 'repeating' => Refinement::Repeats,
        'is done' => Refinement::Done, 'is open' => Refinement::Open, 'still open' => Refinement::Open,
        'from' => Refinement::From, 'to' => Refinement::To, 'with' => Refinement::With,
        'before' => Refinement::Before, 'after' => Refinement::After, 'since' => Refinement::Since,
        'on' => Refinement::On, 'during' => Refinement::On, 'in' => Refinement::Place,
        'list' => Refinement::InList, 'label' => Refinement::Label, 'stage' => Refinement::Stage, 'file' => Refinement::FileName,
    ];

    /** Days that are meant without a word before them. */
    private const BARE = '/^(?:today|yesterday|(?:this|last|past|previous) (?:week|weekend|month|quarter|year)'
        .'|(?:last|past) \S+ (?:days|weeks|months|years)'
        .'|\S+ (?:days?|weeks?|months?|years?) ago|last (?:mon|tues|wednes|thurs|fri|satur|sun)day)$/u';

    /** What stands before a thing and not before a name. */
    private const ARTICLES = [
        'the',
        'a',
        'an',
        'my',
        'your',
        'our',
        'their',
        'his',
        'her',
        'its',
        'this',
        'that',
        'all',
        'be',
        'do',
        'and',
    ];

    /** What kinds of attachments are called, and how their names end. */
    public const KINDS = [
        'pdf' => ['pdf'],
        'picture' => ['png', 'jpg', 'jpeg', 'gif', 'webp', 'heic', 'tif', 'tiff', 'svg', 'bmp'],
        'document' => ['doc', 'docx', 'odt', 'rtf', 'pages', 'txt', 'md'],
        'spreadsheet' => ['xls', 'xlsx', 'ods', 'csv', 'numbers'],
        'presentation' => ['ppt', 'pptx', 'odp', 'key'],
        'calendar' => ['ics'],
        'card' => ['vcf'],
        'letter' => ['eml'],
        'sound' => ['mp3', 'wav', 'ogg', 'm4a', 'flac'],
        'film' => ['mp4', 'mov', 'avi', 'webm', 'mkv'],
        'bundle' => ['zip', 'gz', 'tar', '7z', 'rar'],
    ];

    /** Other words for the same. */
    private const SAME_KIND = [
        'image' => 'picture', 'photo' => 'picture', 'video' => 'film', 'audio' => 'sound', 'zip' => 'bundle', 'invitation' => 'calendar',
        'vcard' => 'card', 'slides' => 'presentation', 'sheet' => 'spreadsheet', 'text' => 'document',
    ];

    public const PLACES = [
        'tray' => Place::Tray->value, 'away' => Place::Away->value, 'archive' => Place::Archive->value, 'bin' => Place::Bin->value,
        'blocked' => Place::Blocked->value, 'muted' => 'muted',
    ];

    /** What decisions are called. */
    public const DECISIONS = [
        'done' => AdvisedDecision::Now->value, 'task' => AdvisedDecision::Task->value, 'snoozed' => AdvisedDecision::Snooze->value,
        'snooze' => AdvisedDecision::Snooze->value, 'handed over' => AdvisedDecision::Delegate->value,
        'hand over' => AdvisedDecision::Delegate->value, 'archived' => AdvisedDecision::Archive->value,
        'archive' => AdvisedDecision::Archive->value, 'deleted' => AdvisedDecision::Delete->value,
        'delete' => AdvisedDecision::Delete->value, 'blocked' => AdvisedDecision::Block->value,
    ];

    /** So many words a name, a day or the like can have. */
    private const WORDS = 6;

    public function __construct(private Speaker $speaker, private KnownNames $names)
    {
    }

    /** @return list<string> the words that lead refinements */
    public static function leads(): array
    {
        return array_keys(self::LEADS);
    }

    /**
     * @param list<Piece> $pieces up to what cannot be part of it
     *
     * @return FoundRefinement|null null: none begins there
     */
    public function __invoke(array $pieces): ?FoundRefinement
    {
        foreach (self::LEADS as $lead => $what) {
            $count = substr_count($lead, ' ') + 1;
            if (self::text($pieces, 0, $count) === $lead) {
                $found = $this->led($what, $lead, $count, $pieces);
                if (null !== $found) {
                    return $found;
                }
            }
        }

        return $this->bareDays($pieces);
    }

    /** @param list<Piece> $pieces */
    private function led(Refinement $what, string $lead, int $count, array $pieces): ?FoundRefinement
    {
        $value = static fn (string $value, string $reading): FoundRefinement => new FoundRefinement(
            $count,
            new Refined($what, $value),
            $reading,
        );

        return match ($what) {
            Refinement::HasTask => $value('', 'has an open task'),
            Refinement::Asks => $value('', 'asks for something'),
            Refinement::Attachment => $value('', 'with attachment'),
            Refinement::Owed => $value('', 'owed to you'),
            Refinement::Undecided => $value('', 'undecided'),
            Refinement::Unread => $value('', 'unread'),
            Refinement::Overdue => $value('', 'overdue'),
            Refinement::WithoutDate => $value('', 'without date'),
            Refinement::Repeats => $value('', 'repeats'),
            Refinement::Done => $value('', 'done'),
            Refinement::Open => $value('', 'open'),
            Refinement::From, Refinement::To => $this->person($what, $count, $pieces),
            Refinement::With => $this->withKind($count, $pieces) ?? $this->person($what, $count, $pieces),
            Refinement::Before, Refinement::After, Refinement::Since, Refinement::Due, Refinement::DueBefore,
            Refinement::DueAfter => $this->days($what, $lead, $count, $pieces),
            Refinement::On => $this->days($what, $lead, $count, $pieces, true),
            Refinement::Place => $this->place($count, $pieces) ?? $this->days(Refinement::On, $lead, $count, $pieces, true),
            Refinement::InList => $this->named($what, $lead, $count, $pieces, $this->names->lists()),
            Refinement::Label => $this->named($what, $lead, $count, $pieces, $this->names->labels()),
            Refinement::Stage => $this->named($what, $lead, $count, $pieces, array_combine($this->names->stages(), $this->names->stages())),
            Refinement::DecidedAs => $this->named($what, $lead, $count, $pieces, array_flip(self::DECISIONS), self::DECISIONS),
            Refinement::Priority => $this->priority($lead, $count, $pieces),
            Refinement::LargerThan => $this->size($lead, $count, $pieces),
            Refinement::FileName => isset($pieces[$count]) && !self::isArticle($pieces[$count])
                ? new FoundRefinement($count + 1, new Refined($what, $pieces[$count]->text), 'a file called '.$pieces[$count]->text)
                : null,
            Refinement::FileKind => null,
        };
    }

    /** @param list<Piece> $pieces */
    private function person(Refinement $what, int $at, array $pieces): ?FoundRefinement
    {
        $first = $pieces[$at] ?? null;
        if (null === $first || self::isArticle($first) || '' === trim($first->text)) {
            return null;
        }
        $reading = ['from' => 'from ', 'to' => 'to ', 'with' => 'from or to '][$what->value] ?? '';
        if ($first->is('me') || $first->is('myself')) {
            return new FoundRefinement($at + 1, new Refined($what, 'me'), $reading.'you');
        }
        $count = 1;
        while (!$first->quoted && $count < self::WORDS && isset($pieces[$at + $count]) && !$pieces[$at + $count]->quoted
            && $this->names->isPerson(self::plain($pieces, $at, $count + 1))) {
            ++$count;
        }
        $name = self::plain($pieces, $at, $count);
        // Common words: what nobody is called is looked for as it stands.
        if (Refinement::From !== $what && !$first->quoted && !str_contains($name, '@') && !$this->names->isPerson($name)) {
            return null;
        }

        return new FoundRefinement($at + $count, new Refined($what, $name), $reading.$name);
    }

    /** @param list<Piece> $pieces */
    private function withKind(int $at, array $pieces): ?FoundRefinement
    {
        $words = self::text($pieces, $at, 1);
        foreach (['a ' => 1, 'an ' => 1, '' => 0] as $article => $more) {
            $words = $more > 0 ? self::text($pieces, $at, 2) : self::text($pieces, $at, 1);
            $name = str_starts_with($words, $article) ? substr($words, \strlen($article)) : '';
            $kind = self::SAME_KIND[$name] ?? self::SAME_KIND[rtrim($name, 's')] ?? $name;
            $kind = isset(self::KINDS[$kind]) ? $kind : rtrim($kind, 's');
            if (isset(self::KINDS[$kind])) {
                return new FoundRefinement($at + 1 + $more, new Refined(Refinement::FileKind, $kind), 'with '.$kind);
            }
        }

        return null;
    }

    /**
     * @param list<Piece> $pieces
     * @param bool        $onlyIfRead whether its words are looked for where no days follow
     */
    private function days(Refinement $what, string $lead, int $at, array $pieces, bool $onlyIfRead = false): ?FoundRefinement
    {
        $ahead = \in_array($what, [Refinement::Due, Refinement::DueBefore, Refinement::DueAfter], true);
        $most = min(self::WORDS, \count($pieces) - $at);
        for ($count = $most; $count > 0; --$count) {
            $period = (new ReadPeriod($this->speaker, $ahead))->read(self::plain($pieces, $at, $count));
            if (null !== $period) {
                $begins = \in_array($what, [Refinement::Since, Refinement::Before, Refinement::DueBefore], true);
                $day = $begins ? Period::day($period->from) : $period;
                $text = Refinement::After === $what || Refinement::DueAfter === $what ? $period->to->text() : $day->text();
                $said = [
                    'before' => 'before ', 'after' => 'after ', 'since' => 'since ', 'on' => '', 'due' => 'due ',
                    'due_before' => 'due before ',
                    'due_after' => 'due after ',
                ][$what->value] ?? '';

                return new FoundRefinement($at + $count, new Refined($what, '', $period), $said.$text);
            }
        }
        if ($onlyIfRead) {
            return null;
        }

        return new FoundRefinement($at + min(1, max(0, $most)), null, $most < 1
            ? \sprintf('“%s”: which day?', $lead)
            : \sprintf('“%s” is no day that I can read.', self::plain($pieces, $at, 1)));
    }

    /** @param list<Piece> $pieces */
    private function bareDays(array $pieces): ?FoundRefinement
    {
        for ($count = min(4, \count($pieces)); $count > 0; --$count) {
            $words = self::text($pieces, 0, $count);
            if (1 === preg_match(self::BARE, $words)) {
                $period = (new ReadPeriod($this->speaker))->read($words);
                if (null !== $period) {
                    return new FoundRefinement($count, new Refined(Refinement::On, '', $period), $period->text());
                }
            }
        }

        return null;
    }

    /** @param list<Piece> $pieces */
    private function place(int $at, array $pieces): ?FoundRefinement
    {
        $more = 'the' === self::text($pieces, $at, 1) ? 1 : 0;
        $name = self::text($pieces, $at + $more, 1);
        $place = self::PLACES[$name] ?? null;

        return null === $place ? null : new FoundRefinement($at + $more + 1, new Refined(Refinement::Place, $place), match ($name) {
            'away', 'blocked', 'muted' => $name,
            default => 'in the '.$name,
        });
    }

    /**
     * @param list<Piece>           $pieces
     * @param array<string, string> $names  by their values
     * @param array<string, string> $also   values by other names
     */
    private function named(Refinement $what, string $lead, int $at, array $pieces, array $names, array $also = []): ?FoundRefinement
    {
        $most = min(self::WORDS, \count($pieces) - $at);
        for ($count = $most; $count > 0; --$count) {
            $typed = self::text($pieces, $at, $count);
            $value = $also[$typed] ?? null;
            foreach ($names as $id => $name) {
                if (mb_strtolower($name) === $typed) {
                    $value = (string) $id;
                }
            }
            if (null !== $value) {
                return new FoundRefinement($at + $count, new Refined($what, $value), $lead.' '.($names[$value] ?? $typed));
            }
        }
        $typed = self::text($pieces, $at, 1);
        $beginning = array_filter($names, static fn (string $name): bool => '' !== $typed && str_starts_with(mb_strtolower($name), $typed));
        if (1 === \count($beginning)) {
            return new FoundRefinement($at + 1, new Refined($what, (string) array_key_first($beginning)), $lead.' '.end($beginning));
        }
        if ($most < 1) {
            return Refinement::DecidedAs === $what ? new FoundRefinement($at, null, 'Decided as what?') : null;
        }
        if (self::isArticle($pieces[$at]) || 'of' === $typed || 'for' === $typed) {
            // "list of slates" is looked for as it stands.
            return null;
        }

        return new FoundRefinement($at + 1, null, \sprintf(
            [] === $beginning ? 'There is no %s “%s”.' : 'More than one %s begins with “%s”.',
            Refinement::DecidedAs === $what ? 'decision' : $lead,
            self::plain($pieces, $at, 1),
        ));
    }

    /** @param list<Piece> $pieces */
    private function priority(string $lead, int $at, array $pieces): ?FoundRefinement
    {
        if ('priority' === $lead && !isset($pieces[$at])) {
            return null;
        }
        $name = 'priority' === $lead ? self::text($pieces, $at, 1) : explode(' ', $lead)[0];
        $priority = Priority::tryFrom($name);
        $count = $at + ('priority' === $lead ? 1 : 0);

        return null === $priority
            ? new FoundRefinement($count, null, 'A priority is high, normal or low.')
            : new FoundRefinement($count, new Refined(Refinement::Priority, $name), $name.' priority');
    }

    /** @param list<Piece> $pieces */
    private function size(string $lead, int $at, array $pieces): FoundRefinement
    {
        foreach ([2, 1] as $count) {
            if (1 === preg_match('/^(\d{1,6}(?:[.,]\d+)?) ?(k|kb|m|mb|g|gb|bytes?)$/', self::text($pieces, $at, $count), $m)) {
                $bytes = (float) str_replace(',', '.', $m[1]) * ['k' => 1e3, 'm' => 1e6, 'g' => 1e9, 'b' => 1][$m[2][0]];

                return new FoundRefinement($at + $count, new Refined(
                    Refinement::LargerThan,
                    (string) (int) $bytes,
                ), 'larger than '.$m[1].' '
                    .['k' => 'kB', 'm' => 'MB', 'g' => 'GB', 'b' => 'bytes'][$m[2][0]]);
            }
        }

        return new FoundRefinement($at + (isset($pieces[$at]) ? 1 : 0), null, \sprintf('“%s”: how large? Say it as 5 MB.', $lead));
    }

    private static function isArticle(Piece $piece): bool
    {
        return !$piece->quoted && \in_array(mb_strtolower($piece->text), self::ARTICLES, true);
    }

    /** @param list<Piece> $pieces */
    private static function text(array $pieces, int $from, int $count): string
    {
        return mb_strtolower(self::plain($pieces, $from, $count));
    }

    /** @param list<Piece> $pieces */
    private static function plain(array $pieces, int $from, int $count): string
    {
        return \count($pieces) < $from + $count ? '' : implode(
            ' ',
            array_map(static fn (Piece $piece): string => $piece->text, \array_slice($pieces, $from, $count)),
        );
    }
}
