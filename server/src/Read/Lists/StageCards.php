<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Lists;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Task\Stage\Stage;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * What stands at the stages of a list, the first part of each.
 *
 * @phpstan-type Place array{stage: Stage|null, total: int, up: int, cards: list<CardView>}
 */
final readonly class StageCards
{
    /** So many of a stage at once. */
    public const MOST = 1000;

    /** Mail that is deleted or blocked stands nowhere. */
    private const THERE = "c.place NOT IN ('bin', 'blocked')";

    public function __construct(
        private Connection $connection,
        private TaskRows $tasks,
        private ConversationRows $conversations,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param int $most so many of each stage
     *
     * @return list<Place> each stage in its order, and at the end what stands off the line, the newest first; of
     *                     tasks only the open ones stand there
     */
    public function of(Account $account, TaskList $list, int $most): array
    {
        return array_map(fn (?Stage $stage): array => $this->at($account, $list, $stage, $most), [...$list->stages()->all, null]);
    }

    /** @return Place */
    private function at(Account $account, TaskList $list, ?Stage $stage, int $most): array
    {
        $with = [
            'account' => $account->id->text,
            'list' => $list->id->text,
            'stages' => json_encode(array_column($list->stages()->all, 'id'), \JSON_THROW_ON_ERROR),
        ] + (null === $stage ? [] : ['stage' => $stage->id]);
        $cards = null === $stage
            ? $this->union(
                'x.since',
                't.created_at',
                '(%1$s.stage IS NULL OR %1$s.stage NOT IN (SELECT value FROM json_each(:stages)))',
                true,
            )
            : $this->union('x.stage_rank', 't.stage_rank', '%s.stage = :stage', false);
        $limit = null === $stage?->days ? '' : StoredNow::of($this->clock->now()->modify("-{$stage->days} days"));
        $counts = $this->rows(
            "SELECT COUNT(*) AS total, COALESCE(SUM(since <= :limit), 0) AS up FROM ({$cards})",
            $with + ['limit' => $limit],
        );

        return [
            'stage' => $stage,
            'total' => ($counts[0] ?? null)?->int('total') ?? 0,
            'up' => null === $stage?->days ? 0 : ($counts[0] ?? null)?->int('up') ?? 0,
            'cards' => $this->views(
                $account,
                $this->rows("SELECT * FROM ({$cards}) ORDER BY at ".(null === $stage ? 'DESC' : 'ASC').", id LIMIT {$most}", $with),
                $stage,
            ),
        ];
    }

    private function union(string $mail, string $task, string $stands, bool $openOnly): string
    {
        return "SELECT 'conversation' AS kind, x.conversation_id AS id, COALESCE(x.stage_since, x.since) AS since, {$mail} AS at
            FROM card x CROSS JOIN conversation c ON c.id = x.conversation_id
            WHERE x.account_id = :account AND x.list_id = :list AND ".\sprintf($stands, 'x').' AND '.self::THERE."
            UNION ALL SELECT 'task', t.id, COALESCE(t.stage_since, t.created_at), {$task} FROM task t
            WHERE t.account_id = :account AND t.list_id = :list AND ".\sprintf($stands, 't')
            .($openOnly ? ' AND t.completed_at IS NULL AND t.parent_id IS NULL' : '');
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<CardView>
     */
    private function views(Account $account, array $rows, ?Stage $stage): array
    {
        $of = static fn (string $kind): array => array_values(array_map(
            static fn (Row $row): string => $row->string('id'),
            array_filter($rows, static fn (Row $row): bool => $kind === $row->string('kind')),
        ));
        $conversations = $this->conversations->some($account, $of('conversation'));
        $tasks = array_column($this->tasks->some($account, $of('task')), null, 'id');
        $views = array_map(fn (Row $row): ?CardView => CardView::of(
            $row->string('since'),
            $stage?->comesUp(new \DateTimeImmutable($row->string('since'))) <= $this->clock->now() && null !== $stage?->days,
            $conversations[$row->string('id')] ?? null,
            $tasks[$row->string('id')] ?? null,
        ), $rows);

        return array_values(array_filter($views));
    }

    /**
     * @param array<string, string> $with
     *
     * @return list<Row>
     */
    private function rows(string $query, array $with): array
    {
        return array_map(static fn (array $columns): Row => new Row($columns), $this->connection->fetchAllAssociative($query, $with));
    }
}
