<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Agenda\Day\Why;
use ZippyTray\Core\Agenda\Week\Figures;
use ZippyTray\Core\Agenda\Week\LookBack;
use ZippyTray\Core\Agenda\Week\LookBacks;
use ZippyTray\Core\Agenda\Week\Stop;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Post\OwedRow;
use ZippyTray\Server\Read\Post\OwedRows;
use ZippyTray\Server\Read\Task\OpenTasks;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRow;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WhereNow;

/**
 * A week, as one looks back over it.
 *
 * @phpstan-import-type FiguresState from Figures
 * @phpstan-import-type OpenTask from OpenTasks
 *
 * @phpstan-type FiguresShown array{week: string, figures: FiguresState, timesTouched: float|null, ratio: float|null}
 */
final readonly class WeekLook
{
    /** So many of a kind are shown. */
    private const MOST = 100;

    /** Who has been asked so many days ago and has said nothing is silent. */
    private const SILENT = 7;

    /** What was put off so often is asked about. */
    private const OFTEN = 3;

    private const AHEAD = 14;

    /** So many weeks before this one are drawn. */
    private const WEEKS = 12;

    private const SNOOZED = 'SELECT c.id FROM conversation c WHERE c.account_id = :account AND c.snoozes >= '.self::OFTEN
        ." AND c.place = 'away' AND (".WhereNow::PUT_AWAY.' OR '.WhereNow::CAME_BACK.') ORDER BY c.snoozes DESC LIMIT '.self::MOST;

    public function __construct(
        private Connection $connection,
        private LookBacks $lookBacks,
        private LookAhead $look,
        private AgendaDays $agenda,
        private OpenTasks $open,
        private TaskRows $tasks,
        private ConversationRows $conversations,
        private OwedRows $owed,
        private WeekFigures $figures,
    ) {
    }

    /** @return LocalDate the first day of the week over which somebody looks back now */
    public function week(Account $account): LocalDate
    {
        return LookBack::weekOn(LocalDate::of($this->look->now(), $account->timeZone()), $account->profile->timeSettings()->week);
    }

    /**
     * @return array{
     *     from: string, until: string, stop: Stop, begun: bool, ended: bool, completed: list<TaskRow>,
     *     keystones: array{chosen: int, done: int}, asks: array<string, list<DayAsk>>,
     *     lists: list<array{id: string, name: string, colour: Colour}>, tray: array{conversations: int, oldest: string|null},
     *     ahead: list<array{date: string, there: int, promised: int}>, figures: list<FiguresShown>
     * } figures: those of this week last
     */
    public function of(Account $account): array
    {
        $week = $this->week($account);
        $lookBack = $this->lookBacks->of($account->id, $week);
        $midnight = TimeOfDay::parse('00:00');
        $from = StoredNow::of($week->at($midnight, $account->timeZone()));
        $until = StoredNow::of($week->plusDays(7)->at($midnight, $account->timeZone()));
        $open = array_filter($this->open->of($account), static fn (array $task): bool => !$task['archived']);

        return [
            'from' => (string) $week,
            'until' => (string) $week->plusDays(6),
            'stop' => $lookBack?->stop() ?? Stop::Completed,
            'begun' => null !== $lookBack,
            'ended' => null !== $lookBack?->endedAt(),
            'completed' => $this->tasks->some($account, $this->ids(
                'SELECT id FROM task WHERE account_id = ? AND completed_at >= ? AND completed_at < ?
                    ORDER BY completed_at, id LIMIT '.self::MOST,
                [$account->id->text, $from, $until],
            )),
            'keystones' => $this->keystones($account, $week),
            'asks' => $this->asks($account, array_values($open)),
            'lists' => $this->without($account, array_values($open)),
            'tray' => $this->tray($account),
            'ahead' => $this->agenda->balance($account, self::AHEAD),
            'figures' => [
                ...array_map(
                    static fn (array $one): array => self::shown($one['week'], $one['figures']),
                    $this->figures->kept($account, $week, self::WEEKS),
                ),
                self::shown((string) $week, $this->figures->count($account, $week)),
            ],
        ];
    }

    /**
     * @param list<OpenTask> $open
     *
     * @return array<string, list<DayAsk>> by stop
     */
    private function asks(Account $account, array $open): array
    {
        $can = array_filter($open, static fn (array $task): bool => $task['alone'] && !$task['waiting']);
        $over = array_column(array_filter($can, static fn (array $task): bool => $task['over']), 'id');
        $undated = array_column(array_filter($can, static fn (array $task): bool => '' === $task['day']), 'id');
        $today = LocalDate::of($this->look->now(), $account->timeZone());
        $laid = $this->ids(
            'SELECT task_id FROM slot WHERE account_id = :account AND at IS NULL AND day >= :day
             UNION SELECT task_id FROM slot WHERE account_id = :account AND at IS NOT NULL AND at >= :at',
            [
                'account' => $account->id->text,
                'day' => (string) $today,
                'at' => StoredNow::of($today->at(TimeOfDay::parse('00:00'), $account->timeZone())),
            ],
        );

        return [
            Stop::Over->value => $this->ofTasks($account, Why::Over, $over),
            Stop::PutOff->value => [
                ...$this->ofTasks($account, Why::PutOff, $this->putOffOften($account, array_column($open, 'id'))),
                ...array_map(
                    static fn (ConversationRow $row): DayAsk => new DayAsk(Why::PutOff, null, $row, null, [], 0, null),
                    array_values($this->conversations->some($account, $this->conversations->ids(self::SNOOZED, $account))),
                ),
            ],
            Stop::Owed->value => $this->silent($account),
            Stop::NoDate->value => $this->ofTasks($account, Why::NoDate, array_values(array_diff($undated, $laid))),
        ];
    }

    /**
     * @param list<string> $ids
     *
     * @return list<DayAsk>
     */
    private function ofTasks(Account $account, Why $why, array $ids): array
    {
        return array_map(
            static fn (TaskRow $row): DayAsk => new DayAsk($why, $row, null, null, [], $row->estimate ?? 0, null),
            $this->tasks->some($account, \array_slice($ids, 0, self::MOST)),
        );
    }

    /**
     * @param list<string> $open
     *
     * @return list<string> those that were put off again and again, the most often first
     */
    private function putOffOften(Account $account, array $open): array
    {
        return $this->ids(
            "SELECT t.object_id FROM json_each(:open) o CROSS JOIN journal_touch t ON t.kind = 'task' AND t.object_id = o.value
             CROSS JOIN journal_entry e ON e.id = t.entry_id AND e.kind = 'put_off' AND e.undone_by IS NULL AND e.account_id = :account
             GROUP BY t.object_id HAVING COUNT(*) >= ".self::OFTEN.' ORDER BY COUNT(*) DESC, t.object_id LIMIT '.self::MOST,
            ['open' => json_encode($open, \JSON_THROW_ON_ERROR), 'account' => $account->id->text],
        );
    }

    /** @return list<DayAsk> what is owed and over its day, and who was asked long ago and has said nothing */
    private function silent(Account $account): array
    {
        $now = $this->look->now();
        $long = StoredNow::of($now->modify('-'.self::SILENT.' days'));
        $rows = array_filter(
            $this->owed->of($account),
            static fn (OwedRow $row): bool => OwedState::Open === $row->state && ($row->over || $row->askedAt < $long),
        );

        return array_map(
            static fn (OwedRow $row): DayAsk => new DayAsk($row->over ? Why::Owed : Why::Silent, null, null, $row, [], 0, null),
            \array_slice(array_values($rows), 0, self::MOST),
        );
    }

    /**
     * @param list<OpenTask> $open
     *
     * @return list<array{id: string, name: string, colour: Colour}> lists in which nothing can be done next
     */
    private function without(Account $account, array $open): array
    {
        $has = array_count_values(array_column(array_filter($open, static fn (array $task): bool => !$task['waiting']), 'list'));
        $lists = array_filter(
            $this->tasks->lists($account),
            static fn (array $list): bool => !$list['archived'] && !isset($has[$list['id']]),
        );

        return array_map(
            static fn (array $list): array => ['id' => $list['id'], 'name' => $list['name'], 'colour' => $list['colour']],
            array_values($lists),
        );
    }

    /** @return array{conversations: int, oldest: string|null} */
    private function tray(Account $account): array
    {
        $found = new Row($this->connection->fetchAssociative(
            'SELECT COUNT(*) n, MIN(c.latest_at) oldest FROM conversation c WHERE c.account_id = ? AND '.WhereNow::TRAY,
            [$account->id->text],
        ) ?: []);

        return ['conversations' => $found->int('n'), 'oldest' => $found->stringOrNull('oldest')];
    }

    /** @return array{chosen: int, done: int} of the days of a week */
    private function keystones(Account $account, LocalDate $week): array
    {
        $found = new Row($this->connection->fetchAssociative(
            'SELECT COUNT(*) chosen, COALESCE(SUM(t.completed_at IS NOT NULL), 0) done FROM day_plan p JOIN task t ON t.id = p.keystone
             WHERE p.account_id = ? AND p.day BETWEEN ? AND ?',
            [$account->id->text, (string) $week, (string) $week->plusDays(6)],
        ) ?: []);

        return ['chosen' => $found->int('chosen'), 'done' => $found->int('done')];
    }

    /** @return FiguresShown */
    private static function shown(string $week, Figures $figures): array
    {
        return [
            'week' => $week,
            'figures' => $figures->state(),
            'timesTouched' => $figures->timesTouched(),
            'ratio' => $figures->ratio(),
        ];
    }

    /**
     * @param array<string, string>|list<string> $parameters
     *
     * @return list<string>
     */
    private function ids(string $query, array $parameters): array
    {
        return array_map(
            static fn (mixed $id): string => \is_string($id) ? $id : '',
            $this->connection->fetchFirstColumn($query, $parameters),
        );
    }
}
