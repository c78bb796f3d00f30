<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * Stamps are made, changed and deleted.
 */
final readonly class KeepStamps
{
    public const MOST = 50;

    public function __construct(private Stamps $stamps, private CheckSteps $check, private Journal $journal)
    {
    }

    /**
     * @param StampId         $id    made by the client
     * @param list<StampStep> $steps
     *
     * @throws Refused when the steps make no sense, or the name or key is taken
     */
    public function add(
        AccountId $accountId,
        EntryId $entryId,
        StampId $id,
        string $name,
        ?int $key,
        array $steps,
        StampHand $hand,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::AddStamp, function (Step $step) use (
            $accountId,
            $id,
            $name,
            $key,
            $steps,
            $hand,
        ): void {
            if (\count($this->stamps->all($accountId)) >= self::MOST) {
                throw new Refused(\sprintf('You have %d stamps already. Delete one first.', self::MOST), 'name');
            }
            $stamp = new Stamp($id, $accountId);
            $this->make($stamp, $name, $key, $steps, $hand);
            $this->stamps->add($stamp);
            $step->made($stamp);
            $step->say($stamp->name());
        });
    }

    /**
     * @param list<StampStep> $steps
     *
     * @throws NotFound
     * @throws Refused  when the steps make no sense, or the name or key is taken
     */
    public function edit(
        AccountId $accountId,
        EntryId $entryId,
        StampId $id,
        string $name,
        ?int $key,
        array $steps,
        StampHand $hand,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::EditStamp, function (Step $step) use (
            $accountId,
            $id,
            $name,
            $key,
            $steps,
            $hand,
        ): void {
            $stamp = $this->stamps->get($accountId, $id);
            $step->touch($stamp);
            $this->make($stamp, $name, $key, $steps, $hand);
            $step->say($stamp->name());
        });
    }

    /** @throws NotFound */
    public function delete(AccountId $accountId, EntryId $entryId, StampId $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DeleteStamp, function (Step $step) use ($accountId, $id): void {
            $stamp = $this->stamps->get($accountId, $id);
            $step->removed($stamp);
            $this->stamps->remove($stamp);
            $step->say($stamp->name());
        });
    }

    /**
     * @param list<StampStep> $steps
     *
     * @throws Refused
     */
    private function make(Stamp $stamp, string $name, ?int $key, array $steps, StampHand $hand): void
    {
        ($this->check)($stamp->accountId, $steps, $hand);
        foreach ($this->stamps->all($stamp->accountId) as $other) {
            if ($other->id->is($stamp->id)) {
                continue;
            }
            if (null !== $key && $other->key() === $key) {
                throw new Refused(\sprintf('The key %d belongs to "%s".', $key, $other->name()), 'key');
            }
            if (mb_strtolower($other->name()) === mb_strtolower(trim($name))) {
                throw new Refused(\sprintf('There is a stamp "%s" already.', $other->name()), 'name');
            }
        }
        $stamp->make($name, $key, $steps);
    }
}
