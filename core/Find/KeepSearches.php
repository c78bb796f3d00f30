<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Rank;

/**
 * Searches are kept, changed, put in order and dropped.
 */
final readonly class KeepSearches
{
    public const MOST = 30;

    public function __construct(private KeptSearches $searches, private Journal $journal)
    {
    }

    /**
     * Keeps a new one, which comes last, or changes the one that there is.
     *
     * @param string $id made by the client
     *
     * @throws Refused when it makes no sense, its name is taken, or there are too many
     */
    public function keep(
        AccountId $accountId,
        EntryId $entryId,
        string $id,
        string $name,
        string $words,
        Sort $sort,
        string $shownIn,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::KeepSearch, function (Step $step) use (
            $accountId,
            $id,
            $name,
            $words,
            $sort,
            $shownIn,
        ): void {
            $all = $this->searches->all($accountId);
            $search = $this->of($all, $id);
            foreach ($all as $other) {
                if ($other->id !== $id && mb_strtolower($other->name()) === mb_strtolower(trim($name))) {
                    throw new Refused(\sprintf('There is a search "%s" already.', $other->name()), 'name');
                }
            }
            if (null === $search) {
                if (\count($all) >= self::MOST) {
                    throw new Refused(\sprintf('You have kept %d searches already. Drop one first.', self::MOST), 'name');
                }
                $search = new KeptSearch($id, $accountId, Rank::between([] === $all ? null : end($all)->rank(), null));
                $search->make($name, $words, $sort, $shownIn);
                $this->searches->add($search);
                $step->made($search);
            } else {
                $step->touch($search);
                $search->make($name, $words, $sort, $shownIn);
            }
            $step->say($search->name(), $search->words());
        });
    }

    /**
     * @param string|null $behind what it is to stand behind; null: the first
     *
     * @throws NotFound
     */
    public function move(AccountId $accountId, EntryId $entryId, string $id, ?string $behind): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::KeepSearch, function (Step $step) use (
            $accountId,
            $id,
            $behind,
        ): void {
            $all = $this->searches->all($accountId);
            $search = $this->of($all, $id) ?? throw new NotFound('search', $id);
            $others = array_values(array_filter($all, static fn (KeptSearch $one): bool => $one->id !== $id));
            $at = null === $behind ? -1 : array_search($behind, array_column($others, 'id'), true);
            if (false === $at) {
                throw new NotFound('search', (string) $behind);
            }
            $step->touch($search);
            $search->place(Rank::between(($others[$at] ?? null)?->rank(), ($others[$at + 1] ?? null)?->rank()));
            $step->say($search->name(), 'moved');
        });
    }

    /** @throws NotFound */
    public function drop(AccountId $accountId, EntryId $entryId, string $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DropSearch, function (Step $step) use ($accountId, $id): void {
            $search = $this->of($this->searches->all($accountId), $id) ?? throw new NotFound('search', $id);
            $step->removed($search);
            $this->searches->remove($search);
            $step->say($search->name());
        });
    }

    /** @param list<KeptSearch> $all */
    private function of(array $all, string $id): ?KeptSearch
    {
        return array_values(array_filter($all, static fn (KeptSearch $one): bool => $one->id === $id))[0] ?? null;
    }
}
