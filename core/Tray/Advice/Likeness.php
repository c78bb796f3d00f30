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

    /** Characters of the sentences beside it. */
    private const NEAR = 100;

    public function __construct(private readonly Weights $weights = new Weights('likeness'))
    {
    }

    /**
     * @param list<Sentence> $sentences of a letter, in order
     *
     * @return list<float> of each the logarithm of the odds that it asks for something: 0 is as likely as not, 2 is 88 of 100
     */
    public function ofEach(array $sentences, string $subject): array
    {
        $odds = [];
        foreach (self::featuresOfEach($sentences, $subject) as $features) {
            $odds[] = $this->weights->odds($features);
        }

        return $odds;
    }

    /**
     * @param list<Sentence> $sentences
     *
     * @return iterable<int, list<string>> of each what is looked at
     */
    public static function featuresOfEach(array $sentences, string $subject): iterable
    {
        $subject = self::ofSubject($subject);

        foreach ($sentences as $number => $sentence) {
            yield [...self::features($sentence->lower), ...$subject, ...self::ofPlace($sentences, $number)];
        }
    }

    /**
     * What is looked at in a sentence: its words, two and three that follow each other, how it begins and ends, and how
     * long it is. Any number is the same.
     *
     * @return list<string> each once
     */
    public static function features(string $lower): array
    {
        $all = self::words($lower);
        $words = \array_slice($all, 0, self::WORDS);
        $last = end($all);
        $found = [
            '' => true,
            '^'.($words[0] ?? '') => true,
            '$'.(\in_array($last, ['?', '!'], true) ? $last : '') => true,
            '~'.min(6, intdiv(\count($words), 4)) => true,
        ];
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

    /** @return list<string> words and the marks that end something; any number is "#" */
    public static function words(string $lower): array
    {
        preg_match_all('/[\p{L}\p{M}]+(?:\'[\p{L}\p{M}]+)*|\d+(?:[.,:]\d+)*|[?!:]/u', $lower, $m);

        return array_map(static fn (string $word): string => ctype_digit($word[0]) ? '#' : $word, $m[0]);
    }

    /** @return list<string> the words of the subject, and two that follow each other */
    private static function ofSubject(string $subject): array
    {
        $words = \array_slice(self::words(mb_strtolower($subject)), 0, self::WORDS);
        $found = [];
        foreach ($words as $at => $word) {
            $found[] = 'S '.$word;
            if (isset($words[$at + 1])) {
                $found[] = 'S '.$word.' '.$words[$at + 1];
            }
        }

        return array_values(array_unique($found));
    }

    /**
     * How many sentences there are, whether this is the first or the last, and how those next to it begin and end.
     *
     * @param list<Sentence> $sentences
     *
     * @return list<string>
     */
    private static function ofPlace(array $sentences, int $number): array
    {
        $last = \count($sentences) - 1;
        $found = ['n'.min(5, $last + 1).($number === $last ? ' last' : '').(0 === $number ? ' first' : '')];
        foreach (['<' => $number - 1, '>' => $number + 1] as $side => $next) {
            if (isset($sentences[$next])) {
                $words = self::words(mb_substr($sentences[$next]->lower, 0, self::NEAR));
                $found[] = $side.' '.($words[0] ?? '');
                $found[] = $side.' '.implode(' ', \array_slice($words, 0, 2));
                $found[] = $side.'$ '.(1 === preg_match('/([?!])["\')\s]*$/', $sentences[$next]->lower, $m) ? $m[1] : '.');
            }
        }

        return array_values(array_unique($found));
    }
}
