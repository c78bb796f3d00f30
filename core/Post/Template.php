<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;

/**
 * A text that is written again and again, with gaps (Placeholders).
 */
final class Template implements Journaled
{
    public const NAME_LENGTH = 100;

    private string $name;

    private string $subject;

    private string $text;

    private bool $signed;

    /** @throws Refused see write() */
    public function __construct(
        public readonly string $id,
        public readonly AccountId $accountId,
        string $name,
        string $subject,
        string $text,
        bool $signed,
    ) {
        $this->write($name, $subject, $text, $signed);
    }

    /**
     * @param string $subject of a new message that begins with it; may be empty
     * @param bool   $signed  whether the signature goes under it
     *
     * @throws Refused when it has no name or no text, or is too long
     */
    public function write(string $name, string $subject, string $text, bool $signed): void
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', mb_scrub($name)));
        if ('' === $name) {
            throw new Refused('What is it called?', 'name');
        }
        if (mb_strlen($name) > self::NAME_LENGTH) {
            throw new Refused(\sprintf('A name can have %d characters at most.', self::NAME_LENGTH), 'name');
        }
        // The limits of a letter are those of what it is made from.
        $letter = new Letter(subject: $subject, text: $text);
        if ('' === trim($letter->text)) {
            throw new Refused('A template needs a text.', 'text');
        }
        [$this->name, $this->subject, $this->text, $this->signed] = [$name, $letter->subject, $letter->text, $signed];
    }

    public function name(): string
    {
        return $this->name;
    }

    public function subject(): string
    {
        return $this->subject;
    }

    public function text(): string
    {
        return $this->text;
    }

    public function isSigned(): bool
    {
        return $this->signed;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Template, $this->id);
    }

    public function state(): array
    {
        return ['name' => $this->name, 'subject' => $this->subject, 'text' => $this->text, 'signed' => $this->signed];
    }

    public function restore(array $state): void
    {
        /** @var array{name: string, subject: string, text: string, signed: bool} $state */
        $this->write($state['name'], $state['subject'], $state['text'], $state['signed']);
    }

    /** @param array<string, mixed> $state */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /** @var array{name: string, subject: string, text: string, signed: bool} $state */
        return new self($id, $accountId, $state['name'], $state['subject'], $state['text'], $state['signed']);
    }

    public function needs(): array
    {
        return [];
    }
}
