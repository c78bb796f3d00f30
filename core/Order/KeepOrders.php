<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Stamp\CheckSteps;
use ZippyTray\Core\Stamp\StampHand;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Task\Rank;

/**
 * Standing orders are given, changed, put in order and taken back.
 */
final readonly class KeepOrders
{
    public const MOST = 100;

    public function __construct(private Orders $orders, private CheckSteps $check, private Journal $journal)
    {
    }

    /**
     * Gives a new one, which comes last, or changes the one that there is.
     *
     * @param OrderId         $id    made by the client
     * @param list<StampStep> $steps
     *
     * @throws Refused when the steps make no sense, or there are too many orders
     */
    public function keep(
        AccountId $accountId,
        EntryId $entryId,
        OrderId $id,
        string $name,
        Condition $condition,
        array $steps,
        bool $on,
        bool $last,
        bool $urgent,
        StampHand $hand,
    ): Entry {
        $all = $this->orders->all($accountId);
        $order = array_values(array_filter($all, static fn (StandingOrder $one): bool => $one->id->is($id)))[0] ?? null;
        $kind = null === $order ? EntryKind::AddOrder : EntryKind::EditOrder;

        return $this->journal->write($accountId, $entryId, $kind, function (Step $step) use (
            $accountId,
            $id,
            $name,
            $condition,
            $steps,
            $on,
            $last,
            $urgent,
            $hand,
            $all,
            $order,
        ): void {
            // To let it in at once is enough to do.
            if (!$urgent || [] !== $steps) {
                ($this->check)($accountId, $steps, $hand);
            }
            if (null === $order) {
                if (\count($all) >= self::MOST) {
                    throw new Refused(\sprintf('You have %d standing orders already. Delete one first.', self::MOST), 'name');
                }
                $order = new StandingOrder($id, $accountId);
                $order->place(Rank::between([] === $all ? null : end($all)->rank(), null));
                $order->make($name, $condition, $steps, $last, $urgent);
                $this->orders->add($order);
                $step->made($order);
            } else {
                $step->touch($order);
                $order->make($name, $condition, $steps, $last, $urgent);
            }
            $order->turn($on);
            $step->say($order->name());
        });
    }

    /** @throws NotFound */
    public function turn(AccountId $accountId, EntryId $entryId, OrderId $id, bool $on): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditOrder, function (Step $step) use ($accountId, $id, $on): void {
            $order = $this->orders->get($accountId, $id);
            $step->touch($order);
            $order->turn($on);
            $step->say($order->name(), $on ? 'in force' : 'at rest');
        });
    }

    /**
     * @param OrderId|null $behindId the one behind which it is to come; null: the first
     *
     * @throws NotFound
     */
    public function move(AccountId $accountId, EntryId $entryId, OrderId $id, ?OrderId $behindId): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::EditOrder, function (Step $step) use (
            $accountId,
            $id,
            $behindId,
        ): void {
            $order = $this->orders->get($accountId, $id);
            $others = array_values(array_filter(
                $this->orders->all($accountId),
                static fn (StandingOrder $one): bool => !$one->id->is($id),
            ));
            $at = null === $behindId ? -1 : array_search(
                $behindId->text,
                array_map(static fn (StandingOrder $one): string => $one->id->text, $others),
                true,
            );
            if (false === $at) {
                throw new NotFound('standing order', (string) $behindId);
            }
            $step->touch($order);
            $order->place(Rank::between(($others[$at] ?? null)?->rank(), ($others[$at + 1] ?? null)?->rank()));
            $step->say($order->name(), 'moved');
        });
    }

    /** @throws NotFound */
    public function delete(AccountId $accountId, EntryId $entryId, OrderId $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DeleteOrder, function (Step $step) use ($accountId, $id): void {
            $order = $this->orders->get($accountId, $id);
            $step->removed($order);
            $this->orders->remove($order);
            $step->say($order->name());
        });
    }
}
