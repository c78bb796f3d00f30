<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\SettleOwed;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Decided;
use ZippyTray\Core\Tray\Overtaken;

/**
 * Makes tasks, and lays them where they are meant to be done, in one step: mail that is put down on an hour, or what somebody owes.
 */
final readonly class MakeAndLay
{
    public function __construct(private MakeTasks $make, private LaySlots $lay, private SettleOwed $owed)
    {
    }

    /**
     * @param EntryId                               $entryId made by the client; the same id again changes nothing
     * @param non-empty-list<TaskOrder>             $orders
     * @param list<NewSlot>                         $slots   of these tasks; one that is not made, since its mail was overtaken, is not laid
     * @param array{id: string, until: Moment}|null $asked   what is owed and is asked for by them, and when it is expected then
     *
     * @throws NotFound
     * @throws Refused
     * @throws Overtaken as MakeTasks, LaySlots and SettleOwed
     */
    public function __invoke(
        AccountId $accountId,
        EntryId $entryId,
        array $orders,
        \DateTimeZone $zone,
        array $slots = [],
        ?array $asked = null,
        ?ClearingId $clearingId = null,
    ): Decided {
        return ($this->make)($accountId, $entryId, $orders, $zone, $clearingId, function (Step $step, array $made) use (
            $accountId,
            $slots,
            $asked,
        ): void {
            foreach ($slots as $slot) {
                if (isset($made[$slot->taskId->text])) {
                    $this->lay->lay($accountId, $slot, $step, 0);
                }
            }
            null === $asked ?: $this->owed->expect($accountId, $asked['id'], $asked['until'], $step, 0);
        });
    }
}
