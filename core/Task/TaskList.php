<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Stage\Stage;
use ZippyTray\Core\Task\Stage\Stages;

/**
 * A list: the home of a subject, with a name of the person's own.
 *
 * @phpstan-import-type StageState from Stage
 *
 * @phpstan-type ListState array{
 *     name: string, rank: string, colour: string, archived: bool, parent?: string, note?: string, stages?: list<StageState>
 * }
 */
final class TaskList implements Journaled
{
    public const NAME_LENGTH = 80;

    /** Characters. */
    public const NOTE_LENGTH = 50_000;

    /** The list that tasks go to when none is named. */
    public const DEFAULT = 'Tasks';

    private string $name;

    private string $rank;

    private Colour $colour = Colour::Slate;

    /** Out of the way, with its tasks. */
    private bool $archived = false;

    /** The list that it lies under; null: none. */
    private ?ListId $parentId = null;

    /** What is to be known of its subject (Markdown). */
    private string $note = '';

    /** @var list<StageState> */
    private array $stages = [];

    /** @throws Refused when the name is empty or longer than NAME_LENGTH characters */
    public function __construct(public readonly ListId $id, public readonly AccountId $accountId, string $name, string $rank = 'V')
    {
        $this->name = self::checked($name);
        $this->rank = $rank;
    }

    /**
     * Makes a list again that had been removed.
     *
     * @param array<string, mixed> $state what state() gave
     */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /** @var ListState $state */
        $list = new self(new ListId($id), $accountId, $state['name']);
        $list->restore($state);

        return $list;
    }

    /** @throws Refused */
    public static function checked(string $name): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $name));
        if ('' === $name) {
            throw new Refused('A list needs a name.', 'list');
        }
        if (mb_strlen($name) > self::NAME_LENGTH) {
            throw new Refused(
                \sprintf('The name of a list can have %d characters at most; this one has %d.', self::NAME_LENGTH, mb_strlen($name)),
                'list',
            );
        }

        return $name;
    }

    /** @throws Refused */
    public function rename(string $name): void
    {
        $this->name = self::checked($name);
    }

    /** @throws Refused when it is too long */
    public function noteDown(string $note): void
    {
        $note = trim(str_replace(["\r\n", "\r"], "\n", $note));
        if (mb_strlen($note) > self::NOTE_LENGTH) {
            throw new Refused(\sprintf('A note can have %d characters.', self::NOTE_LENGTH), 'note');
        }
        $this->note = $note;
    }

    public function note(): string
    {
        return $this->note;
    }

    public function stages(): Stages
    {
        return Stages::fromStates($this->stages);
    }

    public function goThrough(Stages $stages): void
    {
        $this->stages = $stages->states();
    }

    public function colour(Colour $colour): void
    {
        $this->colour = $colour;
    }

    public function place(string $rank, ?ListId $parentId = null): void
    {
        $this->rank = $rank;
        $this->parentId = $parentId;
    }

    public function parentId(): ?ListId
    {
        return $this->parentId;
    }

    /** @param ListId|null $parentId null: under none */
    public function liesUnder(?ListId $parentId): bool
    {
        return null === $parentId ? null === $this->parentId : true === $this->parentId?->is($parentId);
    }

    public function archive(bool $archived): void
    {
        $this->archived = $archived;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function rank(): string
    {
        return $this->rank;
    }

    public function isArchived(): bool
    {
        return $this->archived;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::TaskList, $this->id->text);
    }

    /** @return ListState */
    public function state(): array
    {
        return [
            'name' => $this->name,
            'rank' => $this->rank,
            'colour' => $this->colour->value,
            'archived' => $this->archived,
            ...(null === $this->parentId ? [] : ['parent' => $this->parentId->text]),
            ...('' === $this->note ? [] : ['note' => $this->note]),
            ...([] === $this->stages ? [] : ['stages' => $this->stages]),
        ];
    }

    public function restore(array $state): void
    {
        /** @var ListState $state */
        $this->name = $state['name'];
        $this->rank = $state['rank'];
        $this->colour = Colour::from($state['colour']);
        $this->archived = $state['archived'];
        $this->parentId = ListId::orNull($state['parent'] ?? null);
        $this->note = $state['note'] ?? '';
        $this->stages = $state['stages'] ?? [];
    }

    public function needs(): array
    {
        return null === $this->parentId ? [] : [new ObjectRef(ObjectKind::TaskList, $this->parentId->text)];
    }
}
