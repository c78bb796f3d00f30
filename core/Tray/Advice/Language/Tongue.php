<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice\Language;

use ZippyTray\Core\Tray\Advice\RequestForm;

/**
 * How people ask for something in a language. All patterns are for sentences in lower case, with straight quotes; where a
 * language has nothing to say, the pattern never fits.
 */
abstract readonly class Tongue
{
    protected const NEVER = '/(?!)/';

    /** The language (RFC 5646). */
    abstract public function name(): string;

    /** @return list<string> frequent short words, by which the language of a letter is told */
    abstract public function words(): array;

    /** Letters by which the language is told as well. */
    public function letters(): string
    {
        return self::NEVER;
    }

    /** @return list<array{RequestForm, string}> patterns whose group "do" is what is asked; the first that fits counts */
    abstract public function forms(): array;

    /**
     * @return array<string, string> words of time and of what makes a deadline, and those of English that say the same; two
     *                               words where the first makes something else of the second, "la mañana"
     */
    public function english(): array
    {
        return [];
    }

    /** @return array<string, string> beginnings of verbs by which something is asked, and the English verb */
    public function verbs(): array
    {
        return [];
    }

    /** What is asked for is a thing, and no deed. */
    public function thing(): string
    {
        return self::NEVER;
    }

    /** The English verb of what is asked; empty when it is none of those that are known. */
    final public function verb(string $action): string
    {
        $action = mb_strtolower($action);
        if (1 === preg_match($this->thing(), $action)) {
            return 'Send';
        }
        [$first, $at] = ['', \PHP_INT_MAX];
        foreach ($this->verbs() as $stem => $verb) {
            if (1 === preg_match('/(?<!\p{L})(?:'.$stem.')/u', $action, $m, \PREG_OFFSET_CAPTURE) && $m[0][1] < $at) {
                [$first, $at] = [$verb, $m[0][1]];
            }
        }

        return $first;
    }

    /** The words of time in a text, and those that make a deadline, as English says them; other words stay. */
    final public function gloss(string $lower): string
    {
        $english = $this->english();

        $before = '';

        return [] === $english
            ? $lower
            : (string) preg_replace_callback('/[\p{L}\']+/u', static function (array $word) use ($english, &$before): string {
                $glossed = $english[$before.' '.$word[0]] ?? $english[$word[0]] ?? $word[0];
                $before = $word[0];

                return str_replace('+', ' ', $glossed);
            }, $lower);
    }

    /**
     * How something is said to be at another time than it was, without the marks of a pattern.
     *
     * @return array{verb: string, from: string, to: string, instead: string, not: string, but: string} "moved from … to …",
     *                                                                                                  "instead of", "not … but …"
     */
    public function moving(): array
    {
        return array_fill_keys(['verb', 'from', 'to', 'instead', 'not', 'but'], '(?!)');
    }

    /** What is said before a request and is none of it: "thank you, could you". */
    public function thanks(): string
    {
        return self::NEVER;
    }

    /** What only sounds like a request, from the beginning of what is asked. */
    public function courtesy(): string
    {
        return self::NEVER;
    }

    /** Conditions under which most readers have nothing to do, at the beginning of a sentence. */
    public function unlikely(): string
    {
        return self::NEVER;
    }

    /** No action is wanted. */
    public function notNeeded(): string
    {
        return self::NEVER;
    }

    /** What is told because somebody has to see to it: "The lamp is out again." */
    public function troubles(): string
    {
        return self::NEVER;
    }

    /** It is seen to already. */
    public function mended(): string
    {
        return self::NEVER;
    }

    /** What everybody has to do, also who is only copied. */
    public function dutiesOfAll(): string
    {
        return self::NEVER;
    }

    /** What others do, or have to do, by some day. */
    public function ofOthers(): string
    {
        return self::NEVER;
    }

    /** What only says until when something is to be done that was asked for before. */
    public function untilWhen(): string
    {
        return self::NEVER;
    }

    /** Questions that want no answer. */
    public function rhetorical(): string
    {
        return self::NEVER;
    }

    /** Questions without their mark. */
    public function askedWithoutMark(): string
    {
        return self::NEVER;
    }

    /** The sender answers a question at once, at the beginning of the next sentence. */
    public function selfAnswer(): string
    {
        return self::NEVER;
    }

    /** It is for somebody else to do. */
    public function toOthers(): string
    {
        return self::NEVER;
    }

    /** What stands before a request that somebody else made, and the sender tells of. */
    public function reported(): string
    {
        return self::NEVER;
    }
}
