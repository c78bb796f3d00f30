<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Mail\Passage;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Core\Tray\RestCheck;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * Lists of conversations.
 */
final readonly class ConversationRows
{
    /** Characters of a text in which the place that matched is looked for */
    private const SHOWN_OF = 100_000;

    public const PAGE = 100;

    /** So many rows of the tray are given at the most; as they are decided, others take their place. */
    public const TRAY_MOST = 500;

    /** So many are checked at a time before the rest is archived. */
    private const REST_PAGE = 500;

    /** So many conversations with a person are given, and so many of their newest messages are looked through for them. */
    private const OF_PERSON = 40;

    private const OF_PERSON_READ = 400;

    private const IN_TRAY = "c.place = 'tray' OR (c.place = 'away' AND c.away_until <= :now)";

    /** What is in the tray, and what has come back to it; each by an index of its own. */
    private const OF_TRAY = "SELECT c.id FROM conversation c WHERE c.account_id = :account AND c.place = 'tray'";

    private const AWAY = "c.account_id = :account AND c.place = 'away' AND c.away_until IS NOT NULL AND c.away_until > :now";

    private const BACK = "SELECT c.id FROM conversation c WHERE c.account_id = :account AND c.place = 'away' AND c.away_until IS NOT NULL AND c.away_until <= :now";

    /** How often a conversation was looked at since it was last decided, for a query of c. */
    public const TOUCHES = "(SELECT COUNT(*) FROM conversation_touch t WHERE t.conversation_id = c.id AND t.touched_at > COALESCE(c.decided_at, ''))";

    /** Who owed an answer and gave it last, for a query of c. */
    private const ANSWERED_BY = "(SELECT COALESCE(NULLIF(o.person_name, ''), o.person_email) FROM owed o WHERE o.conversation_id = c.id AND o.state = 'answered' ORDER BY o.settled_at DESC, o.id DESC LIMIT 1)";

    public function __construct(
        private Connection $connection,
        private StoredNow $now,
        private ClockInterface $clock,
        private Advices $advices,
        private LoggerInterface $logger,
    ) {
    }

    /** @return list<ConversationRow> what came back first, in order of return; then the newest first; TRAY_MOST at the most */
    public function tray(Account $account): array
    {
        $ids = $this->ids(self::BACK.' ORDER BY c.away_until, c.latest_at DESC, c.id LIMIT '.self::TRAY_MOST, $account);
        if (\count($ids) < self::TRAY_MOST) {
            array_push($ids, ...$this->ids(self::OF_TRAY.' ORDER BY c.latest_at DESC, c.id LIMIT '.(self::TRAY_MOST - \count($ids)), $account));
        }
        $advices = $this->advices->of($account, $ids);
        $now = $this->now($account);

        return array_map(fn (Row $row): ConversationRow => $this->view($row, $now, $advices[$row->string('id')] ?? null), $this->select($account, $ids));
    }

    /**
     * What is in the tray, a part at a time, with what archiving the rest would hold up.
     *
     * @param string $after `next` of the part before; empty for the first
     *
     * @return array{conversations: list<array{id: string, revision: int}>, held: list<array{row: ConversationRow, reason: string}>, next: string|null} newest first
     */
    public function rest(Account $account, string $after = ''): array
    {
        $now = $this->now($account);
        [$at, $id] = explode(' ', $after) + ['', ''];
        $later = '' === $at ? '' : ' AND c.latest_at <= :at AND (c.latest_at < :at OR c.id > :id)';
        $few = " {$later} ORDER BY c.latest_at DESC, c.id LIMIT ".self::REST_PAGE;
        $ids = $this->ids('SELECT c.id FROM conversation c WHERE c.id IN (SELECT * FROM ('.self::OF_TRAY."{$few}) UNION ALL SELECT * FROM (".self::BACK."{$few})) ORDER BY c.latest_at DESC, c.id LIMIT ".self::REST_PAGE, $account, ['at' => $at, 'id' => $id]);
        $advices = $this->advices->of($account, $ids);
        $conversations = [];
        $held = [];
        $next = null;
        foreach ($this->select($account, $ids) as $columns) {
            $advice = $advices[$columns->string('id')] ?? null;
            $row = $this->view($columns, $now, $advice);
            $reason = RestCheck::reason($advice, $row->returned);
            $conversations[] = ['id' => $row->id, 'revision' => $row->revision];
            if ('' !== $reason) {
                $held[] = ['row' => $row, 'reason' => $reason];
            }
            $next = $columns->string('latest_at').' '.$row->id;
        }

        return ['conversations' => $conversations, 'held' => $held, 'next' => \count($ids) < self::REST_PAGE ? null : $next];
    }

    /** @return list<array{id: string, subject: string, until: string, reason: string}> what is away, in order of return */
    public function away(Account $account): array
    {
        $away = [];
        foreach ($this->connection->iterateNumeric('SELECT c.id, c.subject, c.away_until, c.away_reason FROM conversation c WHERE '.self::AWAY.' ORDER BY c.away_until, c.id', ['account' => $account->id, 'now' => $this->now->text()]) as [$id, $subject, $until, $reason]) {
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

        return $this->rows($account, $this->ids('SELECT c.id FROM conversation c WHERE '.self::AWAY.' AND c.away_until >= :begin AND c.away_until < :end ORDER BY c.away_until, c.id', $account, ['begin' => $midnight($day), 'end' => $midnight($day->plusDays(1))]));
    }

    /** @return list<string> the instants at which something comes back before a day begins, in order */
    public function returns(Account $account, LocalDate $before): array
    {
        $end = StoredNow::of($before->at(TimeOfDay::parse('00:00'), $account->timeZone()));

        return $this->ids('SELECT c.away_until FROM conversation c WHERE '.self::AWAY.' AND c.away_until < :end ORDER BY c.away_until', $account, ['end' => $end]);
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, ConversationRow> by id, those that there are
     */
    public function some(Account $account, array $ids): array
    {
        $rows = $this->rows($account, $ids);

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
                SELECT x.conversation_id FROM (SELECT p.message_id FROM person_message p WHERE p.account_id = :account AND p.email = :email ORDER BY p.sent_at DESC LIMIT '.self::OF_PERSON_READ.') n
                JOIN conversation_message x ON x.message_id = n.message_id
                UNION SELECT t.id FROM (SELECT * FROM ('.self::OF_TRAY.' ORDER BY c.latest_at DESC LIMIT '.self::TRAY_MOST.') UNION SELECT * FROM ('.self::BACK.' ORDER BY c.away_until DESC LIMIT '.self::TRAY_MOST.')) t
                WHERE EXISTS (SELECT 1 FROM conversation_message y CROSS JOIN person_message q ON q.account_id = :account AND q.email = :email AND q.message_id = y.message_id WHERE y.conversation_id = t.id))
             ORDER BY ('.self::IN_TRAY.') DESC, c.latest_at DESC, c.id LIMIT '.self::OF_PERSON,
            $account,
            ['email' => strtolower($email)],
        );

        return $this->rows($account, $ids);
    }

    /** @throws NotFound */
    public function one(Account $account, string $id): ConversationRow
    {
        return $this->some($account, [$id])[$id] ?? throw new NotFound('conversation', $id);
    }

    /**
     * @param string $typed all words of it must occur in a message, as beginnings of words; empty for any
     * @param bool   $muted only those that stay out of the tray whatever arrives
     * @param string $after what `next` was of the part before; empty for the first
     *
     * @return array{rows: list<ConversationRow>, hits: \ArrayObject<string, string>, total: int, next: string|null} the newest first; hits: see hits()
     */
    public function find(Account $account, string $typed, ?Place $place, bool $muted = false, string $after = ''): array
    {
        $words = self::words($typed);
        $conditions = $muted ? ['c.muted'] : [];
        if (null !== $place) {
            $conditions[] = self::placed($place);
        }
        [$keys, $total] = [] === $words ? $this->inOrder($account, $conditions, $place, $after) : $this->matching($account, self::match($words), $conditions, $place, $after);
        $rows = $this->rows($account, array_column($keys, 0));

        return [
            'rows' => $rows,
            'hits' => new \ArrayObject([] === $words ? [] : $this->hits($words, array_column($keys, 2))),
            'total' => $total,
            'next' => \count($keys) < self::PAGE ? null : implode(' ', \array_slice(end($keys), 0, 2)),
        ];
    }

    /** What conversations are found in the order of. */
    private static function found(?Place $place): string
    {
        return Place::Bin === $place ? 'c.binned_at' : 'c.latest_at';
    }

    /**
     * Of all there is, in an order that is kept.
     *
     * @param list<string> $conditions
     *
     * @return array{list<list<string>>, int} a part: the id of each and the instant that orders; and how many there are in all
     */
    private function inOrder(Account $account, array $conditions, ?Place $place, string $after): array
    {
        $at = self::found($place);
        $from = 'FROM conversation c WHERE '.implode(' AND ', ['c.account_id = :account', ...$conditions]);
        [$id, $last] = explode(' ', $after, 2) + ['', ''];
        $later = '' === $after ? '' : " AND {$at} <= :at AND ({$at} < :at OR c.id > :id)";
        $keys = $this->ids("SELECT c.id || ' ' || {$at} {$from}{$later} ORDER BY {$at} DESC, c.id LIMIT ".self::PAGE, $account, ['at' => $last, 'id' => $id]);

        return [array_map(static fn (string $key): array => explode(' ', $key, 2), $keys), (int) ($this->ids("SELECT COUNT(*) {$from}", $account)[0] ?? 0)];
    }

    /**
     * Of what matches, which is gone through once: of most of it no more is read than where it stands.
     *
     * @param list<string> $conditions
     *
     * @return array{list<list<string>>, int} a part: the id of each, the instant that orders, and the number of the newest message that matches of each; and how many there are in all
     */
    private function matching(Account $account, string $match, array $conditions, ?Place $place, string $after): array
    {
        $at = self::found($place);
        $all = $this->ids(
            "SELECT c.id || ' ' || f.newest || ' ' || {$at}
             FROM (SELECT m.conversation, MAX(m.number) AS newest FROM message_search s JOIN search_message m ON m.number = s.rowid WHERE message_search MATCH :words GROUP BY m.conversation) f
             CROSS JOIN search_conversation c ON c.number = f.conversation
             WHERE ".implode(' AND ', ['c.account_id = :account', ...$conditions])." ORDER BY {$at} DESC, c.id",
            $account,
            ['words' => $match],
        );
        $keys = [];
        [$id, $last] = explode(' ', $after, 2) + ['', ''];
        foreach ($all as $one) {
            [$itsId, $newest, $itsAt] = explode(' ', $one, 3) + ['', '', ''];
            if ('' === $after || $itsAt < $last || ($itsAt === $last && $itsId > $id)) {
                $keys[] = [$itsId, $itsAt, $newest];
                if (\count($keys) >= self::PAGE) {
                    break;
                }
            }
        }

        return [$keys, \count($all)];
    }

    /** Where a conversation is now, as a condition for a query of c with the parameter :now. */
    private static function placed(Place $place): string
    {
        return match ($place) {
            Place::Tray => '('.self::IN_TRAY.')',
            Place::Away => "c.place = 'away' AND c.away_until > :now",
            default => "c.place = '{$place->value}'",
        };
    }

    /**
     * The places that matched, of the newest message each in which that is not the subject alone.
     *
     * @param list<string> $words
     * @param list<string> $numbers of those messages
     *
     * @return array<string, string> by conversation, see Passage
     */
    private function hits(array $words, array $numbers): array
    {
        $hits = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT w.conversation_id, w.people, substr(w.text, 1, :longest) AS text FROM json_each(:numbers) j CROSS JOIN message_words w ON w.number = j.value',
            ['longest' => self::SHOWN_OF, 'numbers' => json_encode(array_map(intval(...), $numbers), \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $hit = Passage::in($row->string('text'), $words) ?: Passage::in($row->string('people'), $words);
            if ('' !== $hit) {
                $hits[$row->string('conversation_id')] = $hit;
            }
        }

        return $hits;
    }

    /** @return list<string> what can be looked for of what a person typed */
    private static function words(string $typed): array
    {
        return preg_match_all('/[\p{L}\p{N}]+/u', $typed, $m) ? $m[0] : [];
    }

    /**
     * An expression of SQLite's full-text search.
     *
     * @param non-empty-list<string> $words
     */
    private static function match(array $words): string
    {
        return implode(' AND ', array_map(static fn (string $word): string => '"'.$word.'" *', $words));
    }

    /**
     * @param list<string> $ids
     *
     * @return list<ConversationRow> in the order of their ids, those that there are
     */
    private function rows(Account $account, array $ids): array
    {
        $now = $this->now($account);

        return array_map(fn (Row $row): ConversationRow => $this->view($row, $now), $this->select($account, $ids));
    }

    /** One that is damaged is logged, and does not take the list with it. */
    private function view(Row $row, Moment $now, ?Advice $advice = null): ConversationRow
    {
        try {
            return ConversationRow::of($row, $now, $advice);
        } catch (\Throwable $problem) {
            $this->logger->error('A conversation cannot be shown as it should be.', ['conversation' => $row->string('id'), 'exception' => $problem]);

            return ConversationRow::bare($row);
        }
    }

    /**
     * The first column of a query with the parameters :account and :now, as far as it names them.
     *
     * @param array<string, string> $more
     *
     * @return list<string>
     */
    private function ids(string $query, Account $account, array $more = []): array
    {
        $parameters = array_filter($more + ['account' => $account->id, 'now' => $this->now->text()], static fn (string $name): bool => str_contains($query, ':'.$name), \ARRAY_FILTER_USE_KEY);

        return array_map(static fn (mixed $id): string => \is_scalar($id) ? (string) $id : '', $this->connection->fetchFirstColumn($query, $parameters));
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
            'SELECT c.*, '.self::TOUCHES.' AS touches, '.self::ANSWERED_BY.' AS answered_by FROM json_each(?) j CROSS JOIN conversation c ON c.id = j.value WHERE +c.account_id = ? ORDER BY j.key',
            [json_encode($ids, \JSON_THROW_ON_ERROR), $account->id],
        );

        return array_map(static fn (array $row): Row => new Row($row), $rows);
    }

    private function now(Account $account): Moment
    {
        return new Moment($this->clock->now(), $account->timeZone());
    }
}
