<?php

declare(strict_types=1);

namespace ZippyTray\Core\Label;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;

/**
 * A short word of the person's own with a colour, which they put on conversations and tasks alike.
 *
 * What bears a label names it by its id, so that renaming, merging and deleting it changes the label alone, and each of them can be
 * undone whatever became of what bears it. One that was deleted stays for that, and is never shown.
 *
 * @phpstan-type LabelState array{name: string, colour: string, untilDealt: bool, into: ?string, deleted: bool}
 */
final class Label implements Journaled
{
    private string $name;

    private Colour $colour;

    /** It stands on something until that is dealt with, and falls off then. */
    private bool $untilDealt = false;

    /** The label that this one became part of; null as long as it stands for itself. */
    private ?LabelId $into = null;

    private bool $deleted = false;

    /** @throws Refused when the name cannot be */
    public function __construct(public readonly LabelId $id, public readonly AccountId $accountId, string $name, Colour $colour)
    {
        $this->name = LabelName::checked($name);
        $this->colour = $colour;
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(LabelId $id, AccountId $accountId, array $state): self
    {
        /** @var LabelState $state */
        $label = new self($id, $accountId, $state['name'], Colour::from($state['colour']));
        $label->restore($state);

        return $label;
    }

    /** @throws Refused when the name cannot be */
    public function change(string $name, Colour $colour, bool $untilDealt): void
    {
        $this->name = LabelName::checked($name);
        $this->colour = $colour;
        $this->untilDealt = $untilDealt;
    }

    /** @throws Refused when it is the same */
    public function mergeInto(self $other): void
    {
        if ($other->id->is($this->id)) {
            throw new Refused('A label cannot be merged with itself.', 'into');
        }
        $this->into = $other->id;
    }

    public function delete(): void
    {
        $this->deleted = true;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function isNamed(string $name): bool
    {
        return LabelName::folded($this->name) === LabelName::folded($name);
    }

    public function colour(): Colour
    {
        return $this->colour;
    }

    public function isUntilDealt(): bool
    {
        return $this->untilDealt;
    }

    public function into(): ?LabelId
    {
        return $this->into;
    }

    public function isDeleted(): bool
    {
        return $this->deleted;
    }

    /** Whether it is one that is shown. */
    public function isLive(): bool
    {
        return !$this->deleted && null === $this->into;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Label, $this->id->text);
    }

    /** @return LabelState */
    public function state(): array
    {
        return [
            'name' => $this->name,
            'colour' => $this->colour->value,
            'untilDealt' => $this->untilDealt,
            'into' => $this->into?->text,
            'deleted' => $this->deleted,
        ];
    }

    public function restore(array $state): void
    {
        /** @var LabelState $state */
        $this->name = $state['name'];
        $this->colour = Colour::from($state['colour']);
        $this->untilDealt = $state['untilDealt'];
        $this->into = LabelId::orNull($state['into']);
        $this->deleted = $state['deleted'];
    }

    public function needs(): array
    {
        return [];
    }
}
