<?php

declare(strict_types=1);

namespace ZippyTray\Core\Label;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * What can be done with labels themselves.
 */
final readonly class KeepLabels
{
    public function __construct(private Labels $labels, private NameLabels $name, private Journal $journal)
    {
    }

    /** @throws Refused when the name cannot be, or is taken */
    public function add(AccountId $accountId, EntryId $entryId, string $name, Colour $colour, bool $untilDealt): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::AddLabel, function (Step $step) use (
            $accountId,
            $name,
            $colour,
            $untilDealt,
        ): void {
            $this->checkFree($accountId, $name, null);
            $label = $this->name->make($accountId, $name, $colour, $step);
            $label->change($name, $colour, $untilDealt);
            $step->say($label->name());
        });
    }

    /**
     * @throws NotFound
     * @throws Refused  when the name cannot be, or is taken
     */
    public function edit(AccountId $accountId, EntryId $entryId, LabelId $id, string $name, Colour $colour, bool $untilDealt): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditLabel, function (Step $step) use (
            $accountId,
            $id,
            $name,
            $colour,
            $untilDealt,
        ): void {
            $label = $this->labels->get($accountId, $id);
            $this->checkFree($accountId, $name, $label);
            $step->touch($label);
            $before = $label->name();
            $label->change($name, $colour, $untilDealt);
            $step->say($before, $label->name() === $before ? '' : 'now '.$label->name());
        });
    }

    /**
     * What bears the one bears the other from now on.
     *
     * @throws NotFound
     * @throws Refused  when they are the same
     */
    public function merge(AccountId $accountId, EntryId $entryId, LabelId $id, LabelId $into): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::MergeLabels, function (Step $step) use (
            $accountId,
            $id,
            $into,
        ): void {
            $label = $this->labels->get($accountId, $id);
            $other = $this->labels->get($accountId, $into);
            $step->touch($label);
            $label->mergeInto($other);
            $step->say($label->name(), 'now '.$other->name());
        });
    }

    /** @throws NotFound */
    public function delete(AccountId $accountId, EntryId $entryId, LabelId $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DeleteLabel, function (Step $step) use ($accountId, $id): void {
            $label = $this->labels->get($accountId, $id);
            $step->touch($label);
            $label->delete();
            $step->say($label->name());
        });
    }

    /** @throws Refused */
    private function checkFree(AccountId $accountId, string $name, ?Label $own): void
    {
        $other = $this->labels->all($accountId)->named(LabelName::checked($name));
        if (null !== $other && $other !== $own) {
            throw new Refused(\sprintf('There is a label "%s" already.', $other->name()), 'name');
        }
    }
}
