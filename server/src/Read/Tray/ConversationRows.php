<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Label\ShownLabels;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\ClearingOrder;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Label\LabelRows;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WhereNow;

/**
 * Lists of conversations.
 */
final readonly class ConversationRows
{
    /** So many rows of the tray are given at the most; as they are decided, others take their place. */
    public const TRAY_MOST = 500;

    /** So many conversations with a person are given, and so many of their newest messages are looked through for them. */
    private const OF_PERSON = 40;

    private const OF_PERSON_READ = 400;

    private const OF_ACCOUNT = 'SELECT c.id FROM conversation c WHERE c.account_id = :account AND ';

    /** What is in the tray, and what has come back to it; each by an index of its own. */
    public const OF_TRAY = self::OF_ACCOUNT.WhereNow::TRAY;

    public const BACK = self::OF_ACCOUNT.WhereNow::BACK;

    /** What was held back until an hour that has come, and nobody had put away. */
    public const CAME_IN = self::OF_ACCOUNT.WhereNow::CAME_IN;

    private const AWAY = 'c.account_id = :account AND '.WhereNow::PUT_AWAY;

    /** How often a conversation was looked at since it was last decided, for a query of c. */
    public const TOUCHES = '(SELECT COUNT(*) FROM conversation_touch t WHERE t.conversation_id = c.id AND t.touched_at > '
        ."COALESCE(c.decided_at, ''))";

    /** The lists that it belongs to, as JSON, for a query of c. */
    private const LISTS = "(SELECT json_group_array(json_object('id', l.id, 'name', l.name, 'colour', l.colour, 'stage', x.stage,
            'stages', CASE WHEN json_valid(l.stages) THEN json(l.stages) END))
        FROM card x CROSS JOIN task_list l ON l.id = x.list_id WHERE x.conversation_id = c.id)";

    /** In which mailboxes on servers it lies, as JSON, for a query of c. */
    private const BOXES = ', (SELECT json_group_array(DISTINCT k.mailbox) FROM conversation_message y
        CROSS JOIN server_copy k ON k.message_id = y.message_id WHERE y.conversation_id = c.id AND k.account_id = c.account_id) AS boxes';

    /** Who owed an answer and gave it last, for a query of c. */
    private const ANSWERED_BY = "(SELECT COALESCE(NULLIF(o.person_name, ''), o.person_email) FROM owed o WHERE o.conversation_id = "
        ."c.id AND o.state = 'answered' ORDER BY o.settled_at DESC, o.id DESC LIMIT 1)";

    /** What was not understood of what it asked for at a mail-in address, for a query of c. */
    private const TROUBLE = "CASE WHEN c.decided_as IS NULL THEN (SELECT CASE WHEN json_valid(i.troubles) THEN i.troubles ->> 0 END
        FROM conversation_message x CROSS JOIN mail_in i ON i.message_id = x.message_id
        WHERE x.conversation_id = c.id AND i.troubles <> '[]' ORDER BY i.at DESC LIMIT 1) END";

    public function __construct(
        private Connection $connection,
        private StoredNow $now,
        private ClockInterface $clock,
        private Advices $advices,
        private LabelRows $labels,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @return list<ConversationRow> TRAY_MOST at the most; in groups: what came back, in order of return, then by advice, each group the
     *                               newest first; with a label, only what bears it
     */
    public function tray(Account $account, ClearingOrder $order = ClearingOrder::Grouped, ?LabelId $label = null): array
    {
        [$only, $with] = null === $label ? ['', []] : $this->labels->bearing($account->id, $label);
        $only = '' === $only ? '' : ' AND '.$only;

        return match ($order) {
            ClearingOrder::Grouped => $this->grouped($account, $only, $with),
            ClearingOrder::MostImportant => $this->byImportance($account, $only, $with),
            ClearingOrder::OldestFirst => $this->byDate($account, $only, $with, 'ASC'),
            ClearingOrder::NewestFirst => $this->byDate($account, $only, $with, 'DESC'),
        };
    }

    /**
     * @param array<string, string> $with parameters of $only
     *
     * @return list<ConversationRow>
     */
    private function byDate(Account $account, string $only, array $with, string $direction): array
    {
        $ids = $this->ids(self::first($only, ' ORDER BY c.latest_at '.$direction.', c.id LIMIT '.self::TRAY_MOST), $account, $with);

        return $this->rows($account, $ids, $this->advices->weighed($account, $ids));
    }

    /** A query for the first of all that is in the tray and never was away, and of what was. */
    private static function first(string $only, string $by, string $besides = self::BACK): string
    {
        return 'SELECT c.id FROM conversation c WHERE c.id IN (SELECT * FROM ('.self::OF_TRAY.$only.$by.') UNION ALL SELECT * FROM ('
            .$besides.$only.$by.'))'.$by;
    }

    /**
     * @param array<string, string> $with parameters of $only
     *
     * @return list<ConversationRow>
     */
    private function grouped(Account $account, string $only, array $with): array
    {
        $ids = $this->ids(
            self::OF_ACCOUNT.WhereNow::CAME_BACK.$only.' ORDER BY c.away_until, c.latest_at DESC, c.id LIMIT '.self::TRAY_MOST,
            $account,
            $with,
        );
        if (\count($ids) < self::TRAY_MOST) {
            $newest = ' ORDER BY c.latest_at DESC, c.id LIMIT '.(self::TRAY_MOST - \count($ids));
            array_push($ids, ...$this->ids(self::first($only, $newest, self::CAME_IN), $account, $with));
        }
        $weighed = $this->advices->weighed($account, $ids);
        $rows = $this->rows($account, $ids, $weighed);
        $rank = static fn (ConversationRow $row): int => ClearingOrder::rank($row->returned, ($weighed[$row->id] ?? null)?->advice->group);
        usort($rows, static fn (ConversationRow $one, ConversationRow $other): int => $rank($one) <=> $rank($other));

        return $rows;
    }

    /**
     * Of a tray that holds more than is given, those that mattered most when they were weighed last (WeighTray); what was not weighed
     * yet counts as what matters least.
     *
     * @param array<string, string> $with parameters of $only
     *
     * @return list<ConversationRow> of equal ones the newest first
     */
    private function byImportance(Account $account, string $only, array $with): array
    {
        $newest = ' ORDER BY c.latest_at DESC, c.id LIMIT '.self::TRAY_MOST;
        $ids = $this->ids(self::first($only, $newest), $account, $with);
        if (self::TRAY_MOST === \count($ids)) {
            $ids = \array_slice(array_values(array_unique([
                ...$this->ids('SELECT c.id FROM conversation_importance i CROSS JOIN conversation c ON c.id = i.conversation_id
                    WHERE i.account_id = :account AND '.WhereNow::is(Place::Tray).$only.'
                    ORDER BY i.score DESC LIMIT '.self::TRAY_MOST, $account, $with),
                ...$ids,
            ])), 0, self::TRAY_MOST);
        }
        $weighed = $this->advices->weighed($account, $ids);
        $scores = array_map(static fn (Weighed $one): int => $one->score(), $weighed);
        $rows = $this->rows($account, $ids, $weighed, true);
        usort($rows, static fn (ConversationRow $one, ConversationRow $other): int => [
            $scores[$other->id] ?? -1,
            $other->latestAt,
            $one->id,
        ] <=> [$scores[$one->id] ?? -1, $one->latestAt, $other->id]);

        return $rows;
    }

    /** @return list<array{id: string, subject: string, until: string, reason: string}> what is away, in order of return */
    public function away(Account $account): array
    {
        $away = [];
        foreach ($this->connection->iterateNumeric(
            'SELECT c.id, c.subject, c.away_until, c.away_reason FROM conversation c
            WHERE '.self::AWAY.' ORDER BY c.away_until, c.id',
            ['account' => $account->id, 'now' => $this->now->text()]
        ) as [$id, $subject, $until, $reason]) {
            if (\is_string($id) && \is_string($subject) && \is_string($until)) {
                $away[] = ['id' => $id, 'subject' => $subject, 'until' => $until, 'reason' => \is_string($reason) ? $reason : ''];
            }
        }

        return $away;
    }

    /** @return list<ConversationRow> what comes back on that day, in order */
    public function returning(Account $account, LocalDate $day): array
    {
        $midnight = static fn (LocalDate $of): string => StoredNow::of($of->at(TimeOfDay::parse('00:00'), $account->timeZone()));

        return $this->rows($account, $this->ids('SELECT c.id FROM conversation c WHERE '.self::AWAY.' AND c.away_until >= :begin AND '
            .'c.away_until < :end ORDER BY c.away_until, c.id', $account, [
                'begin' => $midnight($day),
                'end' => $midnight($day->plusDays(1)),
            ]));
    }

    /** @return list<string> the instants at which something comes back before a day begins, in order */
    public function returns(Account $account, LocalDate $before): array
    {
        $end = StoredNow::of($before->at(TimeOfDay::parse('00:00'), $account->timeZone()));

        return $this->ids('SELECT c.away_until FROM conversation c WHERE '.self::AWAY.' AND c.away_until < :end ORDER BY '
            .'c.away_until', $account, ['end' => $end]);
    }

    /**
     * @param list<string>           $ids
     * @param array<string, Weighed> $weighed by id
     *
     * @return array<string, ConversationRow> by id, in the order of the ids, those that there are
     */
    public function some(Account $account, array $ids, array $weighed = []): array
    {
        $rows = $this->rows($account, $ids, $weighed);

        return array_combine(array_map(static fn (ConversationRow $row): string => $row->id, $rows), $rows);
    }

    /**
     * @return list<ConversationRow> those that hold a message from somebody or to them, undecided ones first, the newest of
     *                               both first; of what is decided, those of their newest messages
     */
    public function with(Account $account, string $email): array
    {
        $ids = $this->ids(
            'SELECT c.id FROM conversation c WHERE c.id IN (
                SELECT x.conversation_id FROM (SELECT p.message_id FROM person_message p WHERE p.account_id = :account
                AND p.email = :email ORDER BY p.sent_at DESC LIMIT '.self::OF_PERSON_READ.') n
                JOIN conversation_message x ON x.message_id = n.message_id
                UNION SELECT t.id FROM (SELECT * FROM ('.self::OF_TRAY.' ORDER BY c.latest_at DESC LIMIT '.self::TRAY_MOST.')
                UNION SELECT * FROM ('.self::BACK.' ORDER BY c.away_until DESC LIMIT '.self::TRAY_MOST.')) t
                WHERE EXISTS (SELECT 1 FROM conversation_message y CROSS JOIN person_message q ON q.account_id = :account
                AND q.email = :email AND q.message_id = y.message_id WHERE y.conversation_id = t.id))
             ORDER BY '.WhereNow::is(Place::Tray).' DESC, c.latest_at DESC, c.id LIMIT '.self::OF_PERSON,
            $account,
            ['email' => strtolower($email)],
        );

        return $this->rows($account, $ids);
    }

    /** @throws NotFound */
    public function one(Account $account, string $id, ?Weighed $weighed = null): ConversationRow
    {
        return $this->some($account, [$id], array_filter([$id => $weighed]))[$id] ?? throw new NotFound('conversation', $id);
    }

    /**
     * @param list<string>           $ids
     * @param array<string, Weighed> $weighed by id
     * @param bool                   $why     whether it is said why they matter as much
     *
     * @return list<ConversationRow> in the order of their ids, those that there are
     */
    private function rows(Account $account, array $ids, array $weighed = [], bool $why = false): array
    {
        $now = $this->now($account);
        $labels = $this->labels->shown($account->id);
        $mailboxes = $account->mailboxNames();

        return array_map(
            fn (Row $row): ConversationRow => $this->view($row, $now, $labels, $weighed[$row->string('id')] ?? null, $why, $mailboxes),
            $this->select($account, $ids),
        );
    }

    /**
     * One that is damaged is logged, and does not take the list with it.
     *
     * @param array<int, string> $mailboxes
     */
    private function view(Row $row, Moment $now, ShownLabels $labels, ?Weighed $weighed, bool $why, array $mailboxes): ConversationRow
    {
        try {
            return ConversationRow::of($row, $now, $labels, $weighed, $why, $mailboxes);
        } catch (\Throwable $problem) {
            $this->logger->error(
                'A conversation cannot be shown as it should be.',
                ['conversation' => $row->string('id'), 'exception' => $problem],
            );

            return ConversationRow::bare($row);
        }
    }

    /**
     * The first column of a query with the parameters :account and :now, as far as it names them.
     *
     * @param array<string, string|int> $more
     *
     * @return list<string>
     */
    public function ids(string $query, Account $account, array $more = []): array
    {
        $parameters = array_filter(
            $more + ['account' => $account->id, 'now' => $this->now->text()],
            static fn (string $name): bool => str_contains($query, ':'.$name),
            \ARRAY_FILTER_USE_KEY,
        );

        return array_map(
            static fn (mixed $id): string => \is_scalar($id) ? (string) $id : '',
            $this->connection->fetchFirstColumn($query, $parameters),
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Row> in the order of their ids, those that there are
     */
    private function select(Account $account, array $ids): array
    {
        if ([] === $ids) {
            return [];
        }
        $rows = $this->connection->fetchAllAssociative(
            'SELECT c.*, '.self::TOUCHES.' AS touches, '.self::ANSWERED_BY.' AS answered_by, '.self::TROUBLE.' AS trouble,
                '.LabelRows::BORNE.' AS borne, '.self::LISTS.' AS lists'.([] === $account->mailboxNames() ? '' : self::BOXES).'
                FROM json_each(?) j CROSS JOIN conversation c ON c.id = j.value WHERE +c.account_id = ? ORDER BY j.key',
            [json_encode($ids, \JSON_THROW_ON_ERROR), $account->id],
        );

        return array_map(static fn (array $row): Row => new Row($row), $rows);
    }

    private function now(Account $account): Moment
    {
        return new Moment($this->clock->now(), $account->timeZone());
    }
}
