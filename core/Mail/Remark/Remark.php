<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Remark;

use ZippyTray\Core\Mail\Limit;

/**
 * Something to be said of a message, in words that can be shown: there is nothing in them that turns or hides text.
 *
 * @phpstan-type RemarkState array{kind: string, about: string, other: string}
 */
final readonly class Remark
{
    /** Characters of what is quoted. */
    private const LENGTH = 120;

    public string $about;

    public string $other;

    /**
     * @param string $about what it is about: a name, a file, what a link shows
     * @param string $other what that really is
     */
    public function __construct(public RemarkKind $kind, string $about = '', string $other = '')
    {
        $this->about = mb_strimwidth($about, 0, self::LENGTH, '…');
        $this->other = mb_strimwidth($other, 0, self::LENGTH, '…');
    }

    public function sentence(): string
    {
        return match ($this->kind) {
            RemarkKind::Depth => \sprintf(
                'Its parts lie within each other more than %d deep; what is below is left as one piece.',
                Limit::DEPTH,
            ),
            RemarkKind::Parts => \sprintf('It has more than %s parts; those behind them are not shown.', number_format(Limit::PARTS)),
            RemarkKind::HeaderLines => \sprintf(
                'Its header has more than %s lines; those behind them are not read.',
                number_format(Limit::HEADER_LINES),
            ),
            RemarkKind::Field => 'A field of its header is too long, and is not read to its end.',
            RemarkKind::Html => 'Its formatting is too large or too deep, and is shown simplified or only in part.',
            RemarkKind::Charset => 'It does not say in which character set it is written; that was guessed.',
            RemarkKind::OtherAddress => \sprintf(
                'The sender calls itself %s, and writes from %s.',
                $this->about,
                '' === $this->other ? 'no address' : $this->other,
            ),
            RemarkKind::TurnedName => 'The sender\'s name had marks in it that turn or hide letters; they are left out.',
            RemarkKind::MixedName => \sprintf('The name %s is written with letters of several scripts that look alike.', $this->about),
            RemarkKind::MixedHost => \sprintf(
                'The address %s is written with letters that look like others; its real name is %s.',
                $this->about,
                $this->other,
            ),
            RemarkKind::TurnedSubject => 'The subject had marks in it that turn or hide letters; they are left out.',
            RemarkKind::Link => \sprintf('A link says %s and leads to %s.', $this->about, $this->other),
            RemarkKind::MixedLink => \sprintf(
                'A link leads to %s, which is written with letters that look like others; its real name is %s.',
                $this->about,
                $this->other,
            ),
            RemarkKind::TurnedFile => \sprintf(
                'The name of "%s" had marks in it that turn or hide letters; they are left out.',
                $this->about,
            ),
            RemarkKind::DoubleEnding => \sprintf('"%s" looks like a document, and is a program.', $this->about),
        };
    }

    /** Within a sentence. */
    public function words(): string
    {
        return lcfirst(rtrim($this->sentence(), '.'));
    }

    /** @return RemarkState */
    public function state(): array
    {
        return ['kind' => $this->kind->value, 'about' => $this->about, 'other' => $this->other];
    }

    /** @param RemarkState $state */
    public static function fromState(array $state): self
    {
        return new self(RemarkKind::from($state['kind']), $state['about'], $state['other']);
    }
}
