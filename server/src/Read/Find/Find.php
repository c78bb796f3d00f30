<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Find;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Find\ReadSearch;
use ZippyTray\Core\Find\Refine;
use ZippyTray\Core\Find\Sort;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Mail\Text\Passage;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Label\LabelRows;
use ZippyTray\Server\Read\Tray\ConversationRow;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\CountNow;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\WhereNow;

/**
 * Finding conversations by words, and going through all there are of a place.
 */
final readonly class Find
{
    public const PAGE = 100;

    /** What is found by its subject or its people counts as so much later. */
    private const AHEAD = '+90 days';

    /** Characters of a text in which the place that matched is looked for */
    private const SHOWN_OF = 100_000;

    public function __construct(
        private Connection $connection,
        private ConversationRows $conversations,
        private LabelRows $labels,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string       $typed words and refinements, see ReadSearch; empty for any
     * @param bool         $muted only those that stay out of the tray whatever arrives
     * @param string       $after what `next` was of the part before; empty for the first
     * @param LabelId|null $label only what bears it
     * @param ListId|null  $list  only what belongs to it
     *
     * @return array{
     *     rows: list<ConversationRow>, hits: \ArrayObject<string, string>, total: int, next: string|null
     * } the newest first; hits: see hits()
     */
    public function page(
        Account $account,
        string $typed,
        ?Place $place,
        bool $muted = false,
        string $after = '',
        ?LabelId $label = null,
        ?ListId $list = null,
    ): array {
        $names = new NamesHere($this->connection, $this->labels, $account);
        $search = ReadSearch::of($typed, new Refine($account->profile->speaker($this->clock->now()), $names));
        if ('' !== trim($typed) && !$search->canFind(Sort::Mail)) {
            return ['rows' => [], 'hits' => new \ArrayObject(), 'total' => 0, 'next' => null];
        }
        $sought = MailSought::of($search, $account, $names, $this->labels);
        $words = $search->words();
        $conditions = [...$sought->where, ...($muted ? ['c.muted'] : [])];
        if (null !== $place) {
            $conditions[] = WhereNow::is($place);
        }
        $with = [];
        if (null !== $label) {
            [$conditions[], $with] = $this->labels->bearing($account->id, $label);
        }
        if (null !== $list) {
            $conditions[] = 'c.id IN (SELECT x.conversation_id FROM card x WHERE x.account_id = :account AND x.list_id = :list)';
            $with['list'] = $list->text;
        }
        $isFew = $sought->isFew || [] !== $with;
        $with += $sought->with;
        [$keys, $total] = '' === $sought->match
            ? $this->inOrder(
                $account,
                $conditions,
                $place,
                [] !== $conditions && ($muted || [] !== $sought->where || $isFew),
                $after,
                $with,
                $isFew,
            )
            : $this->matching($account, $sought->match, $conditions, $place, $after, $with);
        $rows = array_values($this->conversations->some($account, array_column($keys, 0)));

        return [
            'rows' => $rows,
            'hits' => new \ArrayObject('' === $sought->match ? [] : $this->hits($words, array_column($keys, 2))),
            'total' => $total,
            'next' => \count($keys) < self::PAGE ? null : implode(' ', \array_slice(end($keys), 0, 2)),
        ];
    }

    /** How many there are, without what they are. */
    public function count(Account $account, string $typed): int
    {
        return $this->page($account, $typed, null)['total'];
    }

    /** What conversations are found in the order of. */
    private static function found(?Place $place): string
    {
        return Place::Bin === $place ? 'c.binned_at' : 'c.latest_at';
    }

    /**
     * Of all there is, in an order that is kept.
     *
     * @param list<string>              $conditions
     * @param bool                      $counts     whether how many there are is to be counted; otherwise it is kept
     * @param array<string, string|int> $with       parameters of the conditions
     * @param bool                      $isFew      whether the conditions are of few, by which these are found
     *
     * @return array{list<list<string>>, int} a part: the id of each and the instant that orders; and how many there are in all
     */
    private function inOrder(
        Account $account,
        array $conditions,
        ?Place $place,
        bool $counts,
        string $after,
        array $with,
        bool $isFew,
    ): array {
        $at = self::found($place);
        $from = 'FROM conversation c WHERE '.implode(' AND ', [($isFew ? '+' : '').'c.account_id = :account', ...$conditions]);
        [$id, $last] = explode(' ', $after, 2) + ['', ''];
        $later = '' === $after ? '' : " AND {$at} <= :at AND ({$at} < :at OR c.id > :id)";
        $keys = $this->conversations->ids(
            "SELECT c.id || ' ' || {$at} {$from}{$later} ORDER BY {$at} DESC, c.id LIMIT ".self::PAGE,
            $account,
            ['at' => $last, 'id' => $id] + $with,
        );
        $count = $this->conversations->ids($counts ? "SELECT COUNT(*) {$from}" : 'SELECT '.CountNow::in($place), $account, $with);

        return [array_map(static fn (string $key): array => explode(' ', $key, 2), $keys), (int) ($count[0] ?? 0)];
    }

    /**
     * Of what matches, which is gone through once: of most of it no more is read than where it stands.
     *
     * @param list<string>              $conditions
     * @param array<string, string|int> $with       parameters of the conditions
     *
     * @return array{
     *     list<list<string>>, int
     * } a part: the id of each, what orders it (its instant; what is found by its subject or its people counts as AHEAD later),
     * and the number of the newest message that matches of each;
     * and how many there are in all
     */
    private function matching(Account $account, string $match, array $conditions, ?Place $place, string $after, array $with): array
    {
        $at = self::found($place);
        [$id, $last] = explode(' ', $after, 2) + ['', ''];
        $later = '' === $after ? '' : 'WHERE at < :at OR (at = :at AND id > :id)';
        $order = "CASE WHEN f.conversation IN (SELECT m.conversation FROM message_search s JOIN search_message m ON m.number = s.rowid
            WHERE message_search MATCH :ahead) THEN strftime('%Y-%m-%dT%H:%M:%SZ', {$at}, '".self::AHEAD."') ELSE {$at} END";
        $rows = $this->conversations->ids(
            "WITH f AS (SELECT m.conversation, MAX(m.number) AS newest FROM message_search s JOIN search_message m ON m.number = s.rowid
             WHERE message_search MATCH :words GROUP BY m.conversation),
             found AS MATERIALIZED (SELECT c.id, {$order} AS at, f.newest
             FROM f CROSS JOIN search_conversation c ON c.number = f.conversation
             WHERE ".implode(' AND ', ['c.account_id = :account', ...$conditions]).')
             SELECT COUNT(*) FROM found
             UNION ALL SELECT * FROM (SELECT id || \' \' || at || \' \' || newest FROM found '.$later.'
             ORDER BY at DESC, id LIMIT '.self::PAGE.')',
            $account,
            ['words' => $match, 'ahead' => "{subject people} : ({$match})"] + $with + ('' === $after ? [] : ['at' => $last, 'id' => $id]),
        );

        return [array_map(static fn (string $key): array => explode(' ', $key, 3), \array_slice($rows, 1)), (int) ($rows[0] ?? 0)];
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
            'SELECT w.conversation_id, w.people, w.files, w.attached, substr(w.text, 1, :longest) AS text '
                .'FROM json_each(:numbers) j CROSS JOIN message_words w '
                .'ON w.number = j.value',
            ['longest' => self::SHOWN_OF, 'numbers' => json_encode(array_map(intval(...), $numbers), \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $hit = '';
            foreach (['text', 'people', 'files', 'attached'] as $column) {
                $hit = $hit ?: Passage::in($row->string($column), $words);
            }
            if ('' !== $hit) {
                $hits[$row->string('conversation_id')] = $hit;
            }
        }

        return $hits;
    }
}
