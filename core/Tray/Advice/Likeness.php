<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * How much a sentence is like those that ask something of their reader, and how little like those that do not. It is
 * learned from sentences that people have labelled (logistic regression on words that stand together), and speaks only
 * where no rule does: a rule can say why, this cannot.
 */
final class Likeness
{
    /** More words than that say nothing new. */
    private const WORDS = 60;

    /** @var array<string, float> feature => weight; a weight is a logarithm of odds */
    private readonly array $weights;

    /** @param array<string, float>|null $weights null: those that were learned */
    public function __construct(?array $weights = null)
    {
        $this->weights = $weights ?? self::learned();
    }

    /**
     * @param string $lower in lower case
     *
     * @return float logarithm of the odds that it asks for something: 0 is as likely as not, 2 is 88 of 100
     */
    public function of(string $lower): float
    {
        $odds = 0.0;
        foreach (self::features($lower) as $feature) {
            $odds += $this->weights[$feature] ?? 0.0;
        }

        return $odds;
    }

    /**
     * What is looked at in a sentence: its words, two and three that follow each other, how it begins and ends, and how
     * long it is. Any number is the same.
     *
     * @return list<string> each once
     */
    public static function features(string $lower): array
    {
        preg_match_all('/[\p{L}\p{M}]+(?:\'[\p{L}\p{M}]+)*|\d+(?:[.,:]\d+)*|[?!:]/u', $lower, $m);
        $words = array_map(static fn (string $word): string => ctype_digit($word[0]) ? '#' : $word, \array_slice($m[0], 0, self::WORDS));
        $last = end($m[0]);
        $found = ['' => true, '^'.($words[0] ?? '') => true, '$'.(\in_array($last, ['?', '!'], true) ? $last : '') => true, '~'.min(6, intdiv(\count($words), 4)) => true];
        $found['^'.implode(' ', \array_slice($words, 0, 2))] = true;
        foreach ($words as $at => $word) {
            $found[$word] = true;
            $two = isset($words[$at + 1]) ? $word.' '.$words[$at + 1] : null;
            if (null !== $two) {
                $found[$two] = true;
            }
            if (null !== $two && isset($words[$at + 2])) {
                $found[$two.' '.$words[$at + 2]] = true;
            }
        }

        return array_map(strval(...), array_keys($found));
    }

    /** @return array<string, float> */
    private static function learned(): array
    {
        /** @var array<string, float>|null $weights read once in a process */
        static $weights = null;
        if (null === $weights) {
            $weights = [];
            foreach (file(__DIR__.'/likeness.tsv', \FILE_IGNORE_NEW_LINES) ?: throw new \LogicException('What was learned is not there.') as $line) {
                [$weight, $feature] = explode("\t", $line, 2) + [1 => ''];
                $weights[$feature] = (float) $weight;
            }
        }

        return $weights;
    }
}
