<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\CannotUndo;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Undo;
use ZippyTray\Core\Journal\UndoBlocked;

/**
 * Takes back what orders did, one after the other: what cannot be taken back any more stays, and the rest is taken back nevertheless.
 */
final readonly class UndoOrders
{
    public function __construct(private Undo $undo, private Ids $ids)
    {
    }

    /**
     * @param list<EntryId> $entryIds the newest first
     *
     * @return array{int, list<string>} how many were taken back; why others were not, a sentence each
     */
    public function __invoke(AccountId $accountId, array $entryIds): array
    {
        [$undone, $left] = [0, []];
        foreach ($entryIds as $entryId) {
            try {
                ($this->undo)($accountId, new EntryId($this->ids->next()), $entryId);
                ++$undone;
            } catch (UndoBlocked|CannotUndo $problem) {
                $left[] = $problem->getMessage();
            }
        }

        return [$undone, $left];
    }
}
