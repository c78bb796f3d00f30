<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Find;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Find\KnownNames;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Label\LabelRows;
use ZippyTray\Server\Store\PeopleIndex;

/**
 * The names that somebody can search by, each asked for when it is needed.
 */
final class NamesHere implements KnownNames
{
    /** So many people are meant by a name at the most. */
    private const PEOPLE = 300;

    /** @var array<string, string>|null */
    private ?array $lists = null;

    public function __construct(
        private readonly Connection $connection,
        private readonly LabelRows $labels,
        private readonly Account $account,
    ) {
    }

    public function lists(): array
    {
        if (null === $this->lists) {
            $this->lists = [];
            foreach ($this->connection->fetchAllKeyValue('SELECT id, name FROM task_list WHERE account_id = ? ORDER BY rank', [
                $this->account->id->text,
            ]) as $id => $name) {
                $this->lists[(string) $id] = \is_string($name) ? $name : '';
            }
        }

        return $this->lists;
    }

    public function labels(): array
    {
        $names = [];
        foreach ($this->labels->shown($this->account->id)->all() as $label) {
            $names[$label->id->text] = $label->name();
        }

        return $names;
    }

    public function stages(): array
    {
        return array_values(array_unique(array_filter($this->connection->fetchFirstColumn(
            "SELECT s.value ->> 'name' FROM task_list l, json_each(l.stages) s WHERE l.account_id = ? AND json_valid(l.stages)",
            [$this->account->id->text],
        ), \is_string(...))));
    }

    public function isPerson(string $words): bool
    {
        return [] !== $this->people($words, 1);
    }

    /** @return list<string> addresses, in lower case */
    public function people(string $words, int $most = self::PEOPLE): array
    {
        $sought = PeopleIndex::words($words);
        if ([] === $sought) {
            return [];
        }
        $parts = $with = [];
        foreach ($sought as $number => $word) {
            $parts[] = "SELECT email FROM person_word WHERE account_id = :account AND word >= :w{$number}
                AND word < :w{$number} || char(1114111)";
            $with['w'.$number] = $word;
        }

        return array_values(array_filter($this->connection->fetchFirstColumn(
            implode(' INTERSECT ', $parts).' LIMIT '.$most,
            ['account' => $this->account->id->text] + $with,
        ), \is_string(...)));
    }
}
