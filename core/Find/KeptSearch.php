<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;

/**
 * A search that is kept under a name.
 *
 * @phpstan-type KeptSearchState array{name: string, words: string, sort: string, shownIn: string, rank: string}
 */
final class KeptSearch implements Journaled
{
    public const NAME_LENGTH = 60;

    private string $name = '';

    private string $words = '';

    private Sort $sort = Sort::Mail;

    /** The view in which it is a group of its own: tray or tasks; empty: none. */
    private string $shownIn = '';

    public function __construct(public readonly string $id, public readonly AccountId $accountId, private string $rank)
    {
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /** @var KeptSearchState $state */
        $search = new self($id, $accountId, $state['rank']);
        $search->restore($state);

        return $search;
    }

    /**
     * @param Sort $sort mail or tasks
     *
     * @throws Refused when it has no name, or looks for nothing
     */
    public function make(string $name, string $words, Sort $sort, string $shownIn): void
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $name));
        $words = trim((string) preg_replace('/\s+/u', ' ', $words));
        if ('' === $name || mb_strlen($name) > self::NAME_LENGTH) {
            throw new Refused(
                '' === $name ? 'Under which name?' : \sprintf('A name can have %d characters.', self::NAME_LENGTH),
                'name',
            );
        }
        if ('' === $words || mb_strlen($words) > ReadSearch::LENGTH) {
            throw new Refused('' === $words ? 'What is to be looked for?' : 'This is too long to be looked for.', 'words');
        }
        if (!\in_array($sort, [Sort::Mail, Sort::Task], true) || !\in_array($shownIn, ['', 'tray', 'tasks'], true)) {
            throw new Refused('Searches are kept for mail or tasks, and shown in the tray, in Tasks or nowhere.', 'sort');
        }
        [$this->name, $this->words, $this->sort, $this->shownIn] = [$name, $words, $sort, $shownIn];
    }

    public function place(string $rank): void
    {
        $this->rank = $rank;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function words(): string
    {
        return $this->words;
    }

    public function sort(): Sort
    {
        return $this->sort;
    }

    public function shownIn(): string
    {
        return $this->shownIn;
    }

    public function rank(): string
    {
        return $this->rank;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::KeptSearch, $this->id);
    }

    /** @return KeptSearchState */
    public function state(): array
    {
        return [
            'name' => $this->name, 'words' => $this->words, 'sort' => $this->sort->value,
            'shownIn' => $this->shownIn, 'rank' => $this->rank,
        ];
    }

    public function restore(array $state): void
    {
        /** @var KeptSearchState $state */
        [$this->name, $this->words, $this->sort, $this->shownIn, $this->rank] = [
            $state['name'], $state['words'], Sort::from($state['sort']), $state['shownIn'], $state['rank'],
        ];
    }

    public function needs(): array
    {
        return [];
    }
}
