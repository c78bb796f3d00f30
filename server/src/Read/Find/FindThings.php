<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Find;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Find\ReadSearch;
use ZippyTray\Core\Find\Refine;
use ZippyTray\Core\Find\Search;
use ZippyTray\Core\Find\Sort;
use ZippyTray\Core\Mail\Text\Passage;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Journal\EntryRow;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Read\Label\LabelRows;
use ZippyTray\Server\Read\Lists\ReferenceRows;
use ZippyTray\Server\Read\Lists\ReferenceView;
use ZippyTray\Server\Read\People\People;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ListWord;
use ZippyTray\Server\Store\Row;

/**
 * What is found besides mail: tasks, things to look up, notes, events, people and entries of the journal.
 *
 * @phpstan-import-type KnownPerson from People
 *
 * @phpstan-type Found array{
 *     counts: array<string, int>, tasks: list<TaskRow>, references: list<ReferenceView>, notes: list<ListWord>,
 *     events: list<array{id: string, title: string, day: string}>, people: list<KnownPerson>, entries: list<EntryRow>,
 *     hits: \ArrayObject<string, string>
 * }
 */
final readonly class FindThings
{
    /** So many of each sort, and of the one that is looked through. */
    private const FIRST = 6;

    private const MOST = 200;

    private const SORTS = [Sort::Task, Sort::Reference, Sort::Note, Sort::Event, Sort::Entry];

    public function __construct(
        private Connection $connection,
        private TaskRows $tasks,
        private ReferenceRows $references,
        private EntryRows $entries,
        private People $people,
        private LabelRows $labels,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string    $typed see ReadSearch
     * @param Sort|null $whole of which more than the first are given
     *
     * @return Found of each sort the best first, of entries the newest; hits: where the words stand, by id, see Passage
     */
    public function of(Account $account, string $typed, ?Sort $whole): array
    {
        $speaker = $account->profile->speaker($this->clock->now());
        $names = new NamesHere($this->connection, $this->labels, $account);
        $search = ReadSearch::of($typed, new Refine($speaker, $names));
        $counts = $ids = [];
        $hits = [];
        foreach (self::SORTS as $sort) {
            $most = $sort === $whole ? self::MOST : self::FIRST;
            [$ids[$sort->value], $counts[$sort->value], $found] = null === $search->node || !$search->canFind($sort)
                ? [[], 0, []]
                : $this->some(
                    $account,
                    $search,
                    $sort,
                    ThingSought::of($search, $sort, $account, $names, $this->labels, $speaker->now),
                    $most,
                );
            $hits += $found;
        }
        $people = $this->named($account, $search, Sort::Person === $whole ? self::MOST : self::FIRST);
        $entries = $this->entries->some($account->id, $ids['entry']);

        return [
            'counts' => $counts + ['person' => \count($people)],
            'tasks' => $this->tasks->some($account, $ids['task']),
            'references' => $this->references->some($account, $ids['reference']),
            'notes' => $this->notes($ids['note']),
            'events' => $this->events($ids['event']),
            'people' => $people,
            'entries' => array_values(array_filter(array_map(static fn (string $id): ?EntryRow => $entries[$id] ?? null, $ids['entry']))),
            'hits' => new \ArrayObject($hits),
        ];
    }

    /** How many of a sort there are. */
    public function count(Account $account, string $typed, Sort $sort): int
    {
        $speaker = $account->profile->speaker($this->clock->now());
        $names = new NamesHere($this->connection, $this->labels, $account);
        $search = ReadSearch::of($typed, new Refine($speaker, $names));

        return null === $search->node || !$search->canFind($sort)
            ? 0
            : $this->some($account, $search, $sort, ThingSought::of($search, $sort, $account, $names, $this->labels, $speaker->now), 0)[1];
    }

    /** @return array{list<string>, int, array<string, string>} ids, how many there are in all, and where the words stand */
    private function some(Account $account, Search $search, Sort $sort, Sought $sought, int $most): array
    {
        $with = ['account' => $account->id->text, 'kind' => $sort->value] + $sought->with;
        $conditions = implode(' AND ', ['s.account_id = :account', 's.kind = :kind', ...$sought->where]);
        if ('' === $sought->match) {
            $from = "FROM search_thing s WHERE {$conditions}";
            $order = Sort::Task === $sort ? '(SELECT k.completed_at IS NOT NULL FROM task k WHERE k.id = s.id), s.at DESC' : 's.at DESC';
        } else {
            $from = "FROM thing_search w CROSS JOIN search_thing s ON s.number = w.rowid WHERE thing_search MATCH :match AND {$conditions}";
            $with['match'] = $sought->match;
            $order = match ($sort) {
                Sort::Task => '(SELECT k.completed_at IS NOT NULL FROM task k WHERE k.id = s.id), w.rank',
                Sort::Entry => 's.at DESC, s.number DESC',
                default => 'w.rank',
            };
        }
        // A note is found by what stands in it, not by the name of its list alone; one that is empty is none.
        $from .= Sort::Note === $sort ? " AND EXISTS (SELECT 1 FROM task_list l WHERE l.id = s.id AND l.note <> '')" : '';
        $count = $this->connection->fetchOne("SELECT COUNT(*) {$from}", $with);
        $ids = $hits = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT s.id, x.text FROM (SELECT s.id, s.number '.$from.' ORDER BY '.$order.' LIMIT '.$most.') s
                LEFT JOIN thing_search x ON x.rowid = s.number',
            $with,
        ) as $columns) {
            $row = new Row($columns);
            $ids[] = $row->string('id');
            $hit = '' === $sought->match ? '' : Passage::in($row->string('text'), $search->words());
            if ('' !== $hit) {
                $hits[$row->string('id')] = $hit;
            }
        }

        return [$ids, is_numeric($count) ? (int) $count : 0, $hits];
    }

    /** @return list<KnownPerson> whose names or addresses begin with the words, where nothing but words is looked for */
    private function named(Account $account, Search $search, int $most): array
    {
        $words = $search->words();

        return [] === $words || !$search->canFind(Sort::Person) ? [] : $this->people->known($account, implode(' ', $words), $most);
    }

    /**
     * @param list<string> $ids
     *
     * @return list<ListWord>
     */
    private function notes(array $ids): array
    {
        return array_map(static fn (array $columns): ListWord => ListWord::of(new Row($columns)), $this->connection->fetchAllAssociative(
            'SELECT l.id AS list_id, l.name AS list_name, l.colour AS list_colour, l.stages AS list_stages, NULL AS stage
             FROM json_each(?) j CROSS JOIN task_list l ON l.id = j.value ORDER BY j.key',
            [json_encode($ids, \JSON_THROW_ON_ERROR)],
        ));
    }

    /**
     * @param list<string> $ids
     *
     * @return list<array{id: string, title: string, day: string}>
     */
    private function events(array $ids): array
    {
        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return ['id' => $row->string('id'), 'title' => $row->string('title'), 'day' => $row->string('day')];
        }, $this->connection->fetchAllAssociative(
            'SELECT e.id, e.title, e.day FROM json_each(?) j CROSS JOIN event e ON e.id = j.value ORDER BY j.key',
            [json_encode($ids, \JSON_THROW_ON_ERROR)],
        ));
    }
}
