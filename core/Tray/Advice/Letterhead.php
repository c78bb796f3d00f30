<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\HabitKey;

/**
 * What can be seen of a message without reading it: from whom and on which list it comes, to whom it is written, of what its subject
 * speaks.
 *
 * @phpstan-type LetterheadState array{from: string, key: string, alone: bool, attached: bool, words: list<string>}
 */
final readonly class Letterhead
{
    /** Of a subject; what stands behind them says little more. */
    private const WORDS = 8;

    /** In characters: what is shorter is mostly grammar, what is longer mostly a number. */
    private const WORD = '/[\p{L}][\p{L}\p{M}\']{2,29}/u';

    /**
     * @param string       $from     address, in small letters
     * @param string       $key      see HabitKey
     * @param bool         $alone    it is addressed to the person and to nobody else
     * @param bool         $attached something is attached
     * @param list<string> $words    of the subject, in small letters, each once
     */
    public function __construct(public string $from, public string $key, public bool $alone, public bool $attached, public array $words)
    {
    }

    public static function of(Gist $gist, Person $person): self
    {
        preg_match_all(self::WORD, SubjectLine::base($gist->subject), $m);

        return new self(
            strtolower($gist->from->email),
            HabitKey::of($gist->headers, $gist->from),
            1 === \count($gist->addressed()) && $person->isAmong($gist->to),
            [] !== $gist->attachments,
            \array_slice(array_values(array_unique($m[0])), 0, self::WORDS),
        );
    }

    /** @return LetterheadState */
    public function state(): array
    {
        return [
            'from' => $this->from,
            'key' => $this->key,
            'alone' => $this->alone,
            'attached' => $this->attached,
            'words' => $this->words,
        ];
    }

    /** @param LetterheadState $state */
    public static function fromState(array $state): self
    {
        return new self($state['from'], $state['key'], $state['alone'], $state['attached'], $state['words']);
    }
}
