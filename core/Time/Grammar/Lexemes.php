<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

use ZippyTray\Core\Time\Digits;
use ZippyTray\Core\Time\English\Lexicon;
use ZippyTray\Core\Time\English\Sense;
use ZippyTray\Core\Time\Unreadable;

/**
 * Written time cut into its pieces, without the words and marks that do not matter: a phrase in a field, or the prose of a
 * letter.
 *
 * It remembers how far the rules came, since the word that none of them could go on with is the one
 * that cannot be read.
 */
final class Lexemes
{
    private const PATTERN = '/
        (?<gap>\n[ \t]*\n\s*)
        |(?<word>\b(?:2mor(?:o|row)|2mrw|q[1-4])\b)
        |(?<number>\d+)|(?<half>[ap]\.?m\b\.?)
        |(?<name>\p{L}[\p{L}\p{M}]*(?:[\x27’]\p{L}+)*(?:(?<=s)[\x27’])?)
        |(?<mark>\S)
    /xiu';

    private const FILLERS = ['on', 'at', 'by', 'the', 'of', ',', '(', ')'];

    /** They make it less sharp, which nobody does where time is written and nothing else. */
    private const FILLERS_OF_PROSE = ['about', 'around', 'approximately', 'roughly', 'ca'];

    /** Numbers of more digits say nothing that could be a time. */
    private const DIGITS = 8;

    /** Pieces of one text that are looked at. */
    private const PIECES = 20_000;

    /** Looks at pieces that one text is worth; behind them there is nothing more to be seen in it. */
    public const LOOKS = 250_000;

    private int $looks = 0;

    /** The furthest word that a rule came to. */
    private int $reached = 0;

    /** How many words from the first one on some rule has understood. */
    private int $understood = 0;

    private ?Unreadable $impossible = null;

    private int $impossibleWords = 0;

    /** @var array<string, string> what was read instead of what is written */
    private array $corrected = [];

    /** @param list<Lexeme> $all */
    private function __construct(
        private readonly string $phrase,
        private readonly array $all,
        public readonly bool $isProse,
        private readonly int $worth,
    ) {
    }

    /** What somebody wrote where time is written and nothing else. */
    public static function of(string $phrase): self
    {
        return self::cut(Digits::ascii(mb_scrub($phrase)), false, self::LOOKS);
    }

    /**
     * What somebody wrote to somebody.
     *
     * @param int                   $worth   looks at its pieces that it is worth
     * @param array<string, string> $english of another language: its words of time, and what English says for them
     */
    public static function ofProse(string $text, int $worth = self::LOOKS, array $english = []): self
    {
        return self::cut(Digits::ascii($text), true, $worth, $english);
    }

    /** @param array<string, string> $english */
    private static function cut(string $phrase, bool $isProse, int $worth, array $english = []): self
    {
        [$all, $corrected] = [[], []];
        [$end, $characters, $fillers, $wasWord, $before] = [0, 0, [], false, ''];
        for ($pieces = 0; $pieces < self::PIECES && 1 === preg_match(
            self::PATTERN,
            $phrase,
            $match,
            \PREG_OFFSET_CAPTURE | \PREG_UNMATCHED_AS_NULL,
            $end,
        ); ++$pieces) {
            [$text, $offset] = [(string) $match[0][0], (int) $match[0][1]];
            $glued = $offset === $end && $offset > 0;
            $from = $characters + mb_strlen(substr($phrase, $end, $offset - $end));
            $characters = $from + mb_strlen($text);
            $end = $offset + \strlen($text);
            $lower = str_replace('’', "'", mb_strtolower($text));
            $glossed = $english[$before.' '.$lower] ?? $english[$lower] ?? ' ';
            $before = $lower;
            $lower = str_contains($glossed, ' ') ? $lower : $glossed;
            $isDecimal = ',' === $text
                && $glued
                && [] !== $all
                && LexemeKind::Number === $all[\count($all) - 1]->kind
                && ctype_digit(substr($phrase, $end, 1));
            if ((\in_array($lower, self::FILLERS, true) && !$isDecimal)
                || ($isProse && \in_array($lower, self::FILLERS_OF_PROSE, true))
                || '@' === $text
                || ($isProse
                    && (('.' === $text && $glued && self::isBeforeMonth($all, $phrase, $end, $english))
                        || ('-' === $text && $glued && 1 === preg_match(
                            '/\Gfeira\b/i',
                            $phrase,
                            offset: $end,
                        ))))
                || ('.' === $text && $glued && $wasWord && (!$isProse || self::isAbbreviation($all, $phrase, $end)))) {
                $fillers[] = '@' === $text ? 'at' : $lower;
                continue;
            }
            $isNumber = null !== $match['number'][0];
            $isMark = null !== $match['mark'][0] || null !== $match['gap'][0];
            $word = null !== $match['half'][0] ? str_replace('.', '', $lower) : (string) preg_replace("/'s$|'$/", '', $lower);
            $meant = $isProse || $isNumber || $isMark ? null : Lexicon::corrected($word);
            if (null !== $meant) {
                $corrected[$lower] = $meant;
            }
            // "Freitagabend" is Friday evening.
            [$first, $second] = explode('+', $word, 2) + [1 => ''];
            if ('' !== $second) {
                $all[] = new Lexeme(LexemeKind::Word, $text, $first, $from, $characters, null, $glued, $fillers);
                [$fillers, $word] = [[], $second];
            }
            $all[] = new Lexeme(
                $isNumber ? LexemeKind::Number : ($isMark ? LexemeKind::Mark : LexemeKind::Word),
                $text,
                $meant ?? $word,
                $from,
                $characters,
                $isNumber && \strlen($text) <= self::DIGITS ? (int) $text : null,
                $glued,
                $fillers,
            );
            [$fillers, $wasWord] = [[], !$isNumber && !$isMark];
        }
        $lexemes = new self($phrase, $all, $isProse, $worth);
        $lexemes->corrected = $corrected;

        return $lexemes;
    }

    /**
     * Whether the full stop behind a word belongs to it: "Fri. 4 Dec. 2026".
     *
     * @param list<Lexeme> $all
     */
    private static function isAbbreviation(array $all, string $text, int $end): bool
    {
        $word = $all[\count($all) - 1]->lower;
        $isName = mb_strlen($word) < 5
            && (null !== Lexicon::meaning(Sense::Month, $word) || null !== Lexicon::meaning(Sense::Weekday, $word))
            || \in_array($word, ['am', 'pm'], true);

        return $isName && 1 === preg_match('/\G\s*[\p{Ll}\d(,]|\G\s*\p{Lu}\p{Ll}{2}\b/u', $text, offset: $end);
    }

    /** How often the rules have looked at its pieces. */
    public function looks(): int
    {
        return min($this->looks, $this->worth);
    }

    /**
     * "4. December": a full stop behind the day's number.
     *
     * @param list<Lexeme>          $all
     * @param array<string, string> $english
     */
    private static function isBeforeMonth(array $all, string $text, int $end, array $english): bool
    {
        if ([] === $all
            || LexemeKind::Number !== $all[\count($all) - 1]->kind
            || \strlen($all[\count($all) - 1]->text) > 2
            || 1 !== preg_match('/\G\s*(\p{L}{3,})/u', $text, $m, offset: $end)) {
            return false;
        }
        $word = mb_strtolower($m[1]);

        return null !== Lexicon::int(Sense::Month, $english[$word] ?? $word);
    }

    public function count(): int
    {
        return \count($this->all);
    }

    /** The same as at(), without the rules having come there. */
    public function peek(int $index): ?Lexeme
    {
        return $this->all[$index] ?? null;
    }

    /** @return array<string, string> what was read, by what is written in lower case, where that is not the same */
    public function corrected(): array
    {
        return $this->corrected;
    }

    /** The words can only be read as others. */
    public function correct(int $from, int $to, string $meant): void
    {
        $this->corrected[mb_strtolower($this->text($from, $to))] = $meant;
    }

    public function at(int $index): ?Lexeme
    {
        if (++$this->looks > $this->worth) {
            return null;
        }
        // A rule may look further ahead than the words it has understood; that says nothing of the words.
        if ($index <= $this->understood) {
            $this->reached = max($this->reached, min($index, \count($this->all)));
        }

        return $this->all[$index] ?? null;
    }

    /** To be asked of the place behind what was understood. */
    public function isEnd(int $index): bool
    {
        $this->understand($index - 1);

        return null === $this->at($index);
    }

    /** Whether one of the words stands there; marks count as words. */
    public function is(int $index, string ...$words): bool
    {
        return $this->taken($index, \in_array($this->at($index)?->lower, $words, true) ?: null) ?? false;
    }

    /** The same, with nothing between it and the one before. */
    public function isGlued(int $index, string ...$words): bool
    {
        return true === ($this->all[$index] ?? null)?->glued && $this->is($index, ...$words);
    }

    /**
     * What the word there stands for.
     *
     * @template T
     *
     * @param array<string, T> $meanings
     *
     * @return T|null
     */
    public function pick(int $index, array $meanings): mixed
    {
        return $this->taken($index, $meanings[$this->at($index)->lower ?? ''] ?? null);
    }

    /** The number written in digits there. */
    public function number(int $index): ?int
    {
        return $this->taken($index, $this->at($index)?->number);
    }

    /** What the word there stands for in a sense; in prose only when it is written as it has to be. */
    public function int(int $index, Sense $sense): ?int
    {
        $meaning = $this->meaning($index, $sense);

        return \is_int($meaning) ? $meaning : null;
    }

    /** The same for senses whose meaning is a name. */
    public function name(int $index, Sense $sense): ?string
    {
        $meaning = $this->meaning($index, $sense);

        return \is_string($meaning) ? $meaning : null;
    }

    private function meaning(int $index, Sense $sense): int|string|null
    {
        $lexeme = $this->at($index);
        $meaning = null === $lexeme || LexemeKind::Word !== $lexeme->kind ? null : Lexicon::meaning($sense, $lexeme->lower);
        if (null !== $meaning && $this->isProse) {
            $need = Lexicon::need($sense, $lexeme->lower);
            if ('~' === $need || ('^' === $need && !$lexeme->isCapital() && mb_strtolower($lexeme->text) === $lexeme->lower)) {
                return null;
            }
        }

        return $this->taken($index, $meaning);
    }

    /** 1 is January. */
    public function month(int $index): ?int
    {
        return $this->int($index, Sense::Month);
    }

    /** 1 is Monday (ISO 8601). */
    public function weekday(int $index): ?int
    {
        return $this->int($index, Sense::Weekday);
    }

    /** Whether the filler word stands before it. */
    public function isAfter(int $index, string ...$fillers): bool
    {
        return [] !== array_intersect($fillers, ($this->all[$index] ?? null)->fillers ?? []);
    }

    /** What is written from one lexeme up to another, without that one. */
    public function text(int $from, int $to): string
    {
        [$first, $last] = [$this->all[$from] ?? null, $this->all[$to - 1] ?? null];

        return null === $first || null === $last ? '' : mb_substr($this->phrase, $first->from, $last->to - $first->from);
    }

    /** A rule understood the words, and what they say cannot be. The complaint about most words counts. */
    public function impossible(int $from, int $to, string $sentence): void
    {
        if ($to - $from <= $this->impossibleWords) {
            return;
        }
        $this->impossibleWords = $to - $from;
        $this->impossible = new Unreadable(\sprintf($sentence, '"'.$this->text($from, $to).'"'), $this->all[$from]->from ?? 0);
    }

    /** Why nothing could be made of the phrase, once every rule has been tried. */
    public function complaint(string $whenEmpty): Unreadable
    {
        if ([] === $this->all) {
            return new Unreadable($whenEmpty, 0);
        }
        if (null !== $this->impossible) {
            return $this->impossible;
        }
        $word = $this->all[$this->reached] ?? null;
        if (null === $word) {
            $last = $this->all[\count($this->all) - 1];
            $isHour = $last->number > 0
                && $last->number < 24
                && !\in_array(($this->all[\count($this->all) - 2] ?? null)?->lower, ['in', 'every', 'for', 'within'], true);

            return new Unreadable(
                \sprintf($isHour ? 'What is "%1$s"? An hour is written "at %1$s".' : 'Something is missing after "%s".', $last->text),
                $last->from,
            );
        }

        return new Unreadable(\sprintf('I cannot read "%s".', $this->wordAround($this->reached)), $this->wordStart($this->reached));
    }

    /**
     * @template T
     *
     * @param T $meaning null when the word means nothing there
     *
     * @return T
     */
    private function taken(int $index, mixed $meaning): mixed
    {
        if (null !== $meaning && $index <= $this->understood) {
            $this->understand($index);
        }

        return $meaning;
    }

    private function understand(int $index): void
    {
        $this->understood = max($this->understood, $index + 1);
    }

    /** "3rdx" is one word to a person, whatever it is cut into. */
    private function wordAround(int $index): string
    {
        $last = $index;
        while (true === ($this->all[$last + 1] ?? null)?->glued && LexemeKind::Mark !== $this->all[$last + 1]->kind) {
            ++$last;
        }
        $first = $this->firstOfWord($index);

        return $this->text($first, $last + 1);
    }

    private function wordStart(int $index): int
    {
        return $this->all[$this->firstOfWord($index)]->from;
    }

    private function firstOfWord(int $index): int
    {
        while ($index > 0
            && $this->all[$index]->glued
            && LexemeKind::Mark !== $this->all[$index]->kind
            && LexemeKind::Mark !== $this->all[$index - 1]->kind) {
            --$index;
        }

        return $index;
    }
}
