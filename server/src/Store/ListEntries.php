<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\ObjectKind;

/**
 * Which entries of the journal tell of which lists: by what is, or was, in them. What has left a list is found there, too.
 */
final readonly class ListEntries
{
    private const KINDS = [ObjectKind::Task, ObjectKind::Card, ObjectKind::Reference];

    public function __construct(private Connection $connection)
    {
    }

    public function add(Entry $entry): void
    {
        foreach (self::lists($entry->changes()) as $list) {
            $this->connection->insert('list_entry', ['list_id' => $list, 'entry_id' => $entry->id->text]);
        }
    }

    /** @return list<string> ids of the lists that know of it, in order */
    public function of(Entry $entry): array
    {
        return array_values(array_filter($this->connection->fetchFirstColumn(
            'SELECT list_id FROM list_entry WHERE entry_id = ? ORDER BY list_id',
            [$entry->id->text],
        ), \is_string(...)));
    }

    /**
     * @param list<Change> $changes
     *
     * @return list<string> ids
     */
    public static function lists(array $changes): array
    {
        $lists = [];
        foreach ($changes as $change) {
            if (ObjectKind::TaskList === $change->object->kind) {
                $lists[$change->object->id] = true;
            }
            foreach (\in_array($change->object->kind, self::KINDS, true) ? [$change->before, $change->after] : [] as $state) {
                if (\is_string($state['list'] ?? null)) {
                    $lists[$state['list']] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($lists));
    }
}
