<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\Digits;

/**
 * A when phrase cut into its pieces, without the words and marks that do not matter.
 *
 * It remembers how far the rules came, since the word that none of them could go on with is the one
 * that cannot be read.
 */
final class Lexemes
{
    private const PATTERN = '/(?<number>\d+)|(?<half>[ap]\.?m\b\.?)|(?<word>\p{L}[\p{L}\p{M}]*(?:[\x27’]\p{L}+)*(?:(?<=s)[\x27’])?)|(?<mark>\S)/iu';

    private const FILLERS = ['on', 'at', 'by', 'the', 'of'];

    /** Numbers of more digits say nothing that could be a time. */
    private const DIGITS = 7;

    /** The furthest word that a rule came to. */
    private int $reached = 0;

    /** How many words from the first one on some rule has understood. */
    private int $understood = 0;

    private ?Unreadable $impossible = null;

    private int $impossibleWords = 0;

    /** @param list<Lexeme> $all */
    private function __construct(private readonly string $phrase, private readonly array $all)
    {
    }

    public static function of(string $phrase): self
    {
        $phrase = Digits::ascii(mb_scrub($phrase));
        preg_match_all(self::PATTERN, $phrase, $matches, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE | \PREG_UNMATCHED_AS_NULL);
        $all = [];
        [$end, $fillers, $wasWord] = [-1, [], false];
        foreach ($matches as $match) {
            [$text, $offset] = [(string) $match[0][0], (int) $match[0][1]];
            $glued = $offset === $end;
            $end = $offset + \strlen($text);
            $lower = str_replace('’', "'", mb_strtolower($text));
            if (\in_array($lower, self::FILLERS, true) || ',' === $text || ('.' === $text && $glued && $wasWord)) {
                $fillers[] = $lower;
                continue;
            }
            $isNumber = null !== $match['number'][0];
            $isMark = null !== $match['mark'][0];
            $from = mb_strlen(substr($phrase, 0, $offset));
            $all[] = new Lexeme(
                $isNumber ? LexemeKind::Number : ($isMark ? LexemeKind::Mark : LexemeKind::Word),
                $text,
                null !== $match['half'][0] ? str_replace('.', '', $lower) : (string) preg_replace("/'s$|'$/", '', $lower),
                $from,
                $from + mb_strlen($text),
                $isNumber && \strlen($text) <= self::DIGITS ? (int) $text : null,
                $glued,
                $fillers,
            );
            [$fillers, $wasWord] = [[], !$isNumber && !$isMark];
        }

        return new self($phrase, $all);
    }

    public function at(int $index): ?Lexeme
    {
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

    /** The number there, in digits or as a word up to twelve. */
    public function count(int $index): ?int
    {
        return $this->number($index) ?? $this->taken($index, Names::number($this->at($index)?->lower));
    }

    /** The number of the word there, such as "third"; -1 is the last one. */
    public function ordinal(int $index): ?int
    {
        return $this->taken($index, Names::ordinal($this->at($index)?->lower));
    }

    /** 1 is January. */
    public function month(int $index): ?int
    {
        return $this->taken($index, Names::month($this->at($index)?->lower));
    }

    /** 1 is Monday (ISO 8601). */
    public function weekday(int $index): ?int
    {
        return $this->taken($index, Names::weekday($this->at($index)?->lower));
    }

    /** "mondays". */
    public function weekdays(int $index): ?int
    {
        return $this->taken($index, Names::weekdays($this->at($index)?->lower));
    }

    /** Whether the filler word stands before it. */
    public function isAfter(int $index, string $filler): bool
    {
        return \in_array($filler, ($this->all[$index] ?? null)->fillers ?? [], true);
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
            $isHour = $last->number > 0 && $last->number < 24 && !\in_array(($this->all[\count($this->all) - 2] ?? null)?->lower, ['in', 'every', 'for'], true);

            return new Unreadable(\sprintf($isHour ? 'What is "%1$s"? An hour is written "at %1$s".' : 'Something is missing after "%s".', $last->text), $last->from);
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
        while ($index > 0 && $this->all[$index]->glued && LexemeKind::Mark !== $this->all[$index]->kind && LexemeKind::Mark !== $this->all[$index - 1]->kind) {
            --$index;
        }

        return $index;
    }
}
