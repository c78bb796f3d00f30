<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Order;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Order\StandingOrder;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Tray\ConversationRow;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Ports\OrderStore;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * Standing orders, and what they did.
 */
final readonly class OrderRows
{
    /** Days for which it is counted how often each was carried out. */
    private const DAYS = 30;

    /** So much of what went past the tray is shown. */
    private const PAST = 200;

    public function __construct(
        private Connection $connection,
        private OrderStore $orders,
        private ConversationRows $conversations,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @return list<array{
     *     id: string, name: string, condition: array<string, mixed>, text: string, steps: list<array<string, mixed>>, on: bool, last: bool,
     *     urgent: bool, done: int
     * }> in the person's order; done: how often in the last 30 days
     */
    public function all(Account $account): array
    {
        $done = $this->connection->fetchAllKeyValue(
            'SELECT order_id, COUNT(*) FROM order_effect WHERE account_id = ? AND done_at >= ? GROUP BY order_id',
            [$account->id, $this->ago(self::DAYS)],
        );

        return array_map(function (StandingOrder $order) use ($done): array {
            $count = $done[$order->id->text] ?? 0;

            return [
                'id' => $order->id->text,
                'name' => $order->name(),
                ...$this->asks($order),
                'on' => $order->isOn(),
                'last' => $order->isLast(),
                'urgent' => $order->isUrgent(),
                'done' => is_numeric($count) ? (int) $count : 0,
            ];
        }, $this->orders->all($account->id));
    }

    /**
     * Of one that is damaged nothing is shown but that it is, so that it can be given anew or deleted.
     *
     * @return array{condition: array<string, mixed>, text: string, steps: list<array<string, mixed>>}
     */
    private function asks(StandingOrder $order): array
    {
        try {
            $condition = $order->condition();

            return ['condition' => $condition->state(), 'text' => $condition->text(), 'steps' => self::steps($order->steps())];
        } catch (\Throwable $problem) {
            $this->logger->error('A standing order is damaged.', ['order' => $order->id->text, 'exception' => $problem]);

            return ['condition' => ['test' => 'all', 'of' => []], 'text' => 'that cannot be told: it is damaged', 'steps' => []];
        }
    }

    /**
     * @param list<StampStep> $steps
     *
     * @return list<array<string, mixed>>
     */
    public static function steps(array $steps): array
    {
        return array_map(static fn (StampStep $step): array => $step->state() + ['text' => $step->text()], $steps);
    }

    /**
     * What went past the tray since the last ended clearing began, a week at most, and is still so.
     *
     * @return array{count: int, since: string, rows: list<array{row: ConversationRow, order: string, entry: string, at: string}>}
     */
    public function past(Account $account): array
    {
        $since = $this->connection->fetchOne(
            'SELECT started_at FROM clearing WHERE account_id = ? AND ended_at IS NOT NULL ORDER BY started_at DESC LIMIT 1',
            [$account->id],
        );
        $since = \is_string($since) ? max($since, $this->ago(7)) : $this->ago(7);
        $effects = array_map(static fn (array $columns): Row => new Row($columns), $this->connection->fetchAllAssociative(
            'SELECT f.entry_id, f.conversation_id, f.done_at, o.name FROM order_effect f
                JOIN journal_entry e ON e.id = f.entry_id AND e.undone_by IS NULL LEFT JOIN standing_order o ON o.id = f.order_id
                WHERE f.account_id = ? AND f.done_at >= ? AND f.past ORDER BY f.done_at DESC, f.entry_id',
            [$account->id, $since],
        ));
        $shown = \array_slice($effects, 0, self::PAST);
        $rows = $this->conversations->some(
            $account,
            array_values(array_unique(array_map(static fn (Row $one): string => $one->string('conversation_id'), $shown))),
        );
        $given = [];
        foreach ($shown as $one) {
            $row = $rows[$one->string('conversation_id')] ?? null;
            if (null !== $row) {
                $given[] = [
                    'row' => $row,
                    'order' => $one->string('name'),
                    'entry' => $one->string('entry_id'),
                    'at' => $one->string('done_at'),
                ];
            }
        }

        return ['count' => \count($effects), 'since' => $since, 'rows' => $given];
    }

    /** @return list<EntryId> what orders did on that day, or one of them did, and what is still in effect; the newest first */
    public function doneOn(Account $account, LocalDate $day, ?string $order): array
    {
        $midnight = static fn (LocalDate $of): string => StoredNow::of($of->at(TimeOfDay::parse('00:00'), $account->timeZone()));

        return array_map(
            static fn (mixed $id): EntryId => new EntryId(\is_string($id) ? $id : ''),
            $this->connection->fetchFirstColumn(
                'SELECT e.id FROM order_effect f JOIN journal_entry e ON e.id = f.entry_id AND e.undone_by IS NULL
                    WHERE f.account_id = ? AND f.done_at >= ? AND f.done_at < ? AND (? IS NULL OR f.order_id = ?) ORDER BY e.number DESC',
                [$account->id, $midnight($day), $midnight($day->plusDays(1)), $order, $order],
            ),
        );
    }

    private function ago(int $days): string
    {
        return StoredNow::of(\DateTimeImmutable::createFromInterface($this->clock->now())->modify("-{$days} days"));
    }
}
