<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use ZippyTray\Core\Task\SourceCopy;

final class Version20261126000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Tasks in full: order, subtasks, starts, repeats, reminders, labels, files; how a person speaks of time';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        foreach ([
            'parent_id VARCHAR(36) REFERENCES task (id) DEFERRABLE INITIALLY DEFERRED', "rank CLOB NOT NULL DEFAULT 'V'", 'start_date VARCHAR(10)', 'start_time VARCHAR(5)', 'start_zone VARCHAR(255)',
            'estimate INTEGER', "priority VARCHAR(10) NOT NULL DEFAULT 'normal'", "labels CLOB NOT NULL DEFAULT '[]'", 'repeats CLOB', "reminders CLOB NOT NULL DEFAULT '[]'", "files CLOB NOT NULL DEFAULT '[]'",
            'revision INTEGER NOT NULL DEFAULT 1',
        ] as $column) {
            $this->addSql('ALTER TABLE task ADD COLUMN '.$column);
        }
        $this->addSql("UPDATE task SET sources = (SELECT json_group_array(json_object('kind', 'message', 'ref', value)) FROM json_each(task.sources))");
        $this->addSql("UPDATE task SET rank = (SELECT printf('V%06dV', number) FROM (SELECT id, ROW_NUMBER() OVER (PARTITION BY list_id ORDER BY due_date IS NULL, due_date, created_at, id) AS number FROM task) n WHERE n.id = task.id)");
        $this->addSql('CREATE INDEX task_place ON task (account_id, list_id, parent_id, rank)');
        $this->addSql('CREATE INDEX task_parent ON task (parent_id) WHERE parent_id IS NOT NULL');
        $this->addSql("ALTER TABLE task_list ADD COLUMN rank CLOB NOT NULL DEFAULT 'V'");
        $this->addSql("ALTER TABLE task_list ADD COLUMN colour VARCHAR(10) NOT NULL DEFAULT 'slate'");
        $this->addSql('ALTER TABLE task_list ADD COLUMN archived BOOLEAN NOT NULL DEFAULT 0');
        $this->addSql("UPDATE task_list SET rank = (SELECT printf('V%06dV', number) FROM (SELECT id, ROW_NUMBER() OVER (PARTITION BY account_id ORDER BY name COLLATE NOCASE, id) AS number FROM task_list) n WHERE n.id = task_list.id)");
        $this->addSql("ALTER TABLE source_copy ADD COLUMN headers CLOB NOT NULL DEFAULT ''");
        $this->addSql('CREATE TABLE file (id VARCHAR(36) NOT NULL PRIMARY KEY, account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED, name CLOB NOT NULL, type VARCHAR(255) NOT NULL, size INTEGER NOT NULL, added_at VARCHAR(20) NOT NULL)');
        $this->addSql('CREATE TABLE file_content (file_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES file (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, content BLOB NOT NULL)');
        $this->addSql("ALTER TABLE account ADD COLUMN time_settings CLOB NOT NULL DEFAULT '{}'");
        $this->addSql("ALTER TABLE account ADD COLUMN task_settings CLOB NOT NULL DEFAULT '{}'");
    }

    public function postUp(Schema $schema): void
    {
        $this->fillHeaders();
        $this->extendJournal();
    }

    /** Copies made so far get the header section of their message, where that is still there. */
    private function fillHeaders(): void
    {
        /** @var iterable<array{id: string, source: string}> $copies */
        $copies = $this->connection->iterateAssociative('SELECT c.id, s.source FROM source_copy c JOIN message_source s ON s.message_id = c.message_id');
        foreach ($copies as ['id' => $id, 'source' => $source]) {
            $this->connection->update('source_copy', ['headers' => SourceCopy::headersOf((string) gzuncompress($source))], ['id' => $id]);
        }
    }

    /** What the journal keeps of tasks and lists gets the fields that they have now, in the order that they have now. */
    private function extendJournal(): void
    {
        /** @var array<string, array{rank: string}> $tasks */
        $tasks = $this->connection->fetchAllAssociativeIndexed('SELECT id, rank FROM task');
        /** @var array<string, array{rank: string}> $lists */
        $lists = $this->connection->fetchAllAssociativeIndexed('SELECT id, rank FROM task_list');
        /** @var iterable<array{id: string, changes: string}> $entries */
        $entries = $this->connection->iterateAssociative("SELECT id, changes FROM journal_entry WHERE changes LIKE '%\"kind\":\"task\"%' OR changes LIKE '%\"kind\":\"list\"%'");
        foreach ($entries as ['id' => $id, 'changes' => $changes]) {
            /** @var list<array{kind: string, id: string, before: array<string, mixed>|null, after: array<string, mixed>|null}> $all */
            $all = json_decode($changes, true, 64, \JSON_THROW_ON_ERROR);
            foreach ($all as &$change) {
                foreach (['before', 'after'] as $side) {
                    if (null === $change[$side]) {
                        continue;
                    }
                    $change[$side] = match ($change['kind']) {
                        'task' => self::task($change[$side], $tasks[$change['id']]['rank'] ?? 'V'),
                        'list' => $change[$side] + ['rank' => $lists[$change['id']]['rank'] ?? 'V', 'colour' => 'slate', 'archived' => false],
                        default => $change[$side],
                    };
                }
            }
            unset($change);
            $this->connection->update('journal_entry', ['changes' => json_encode($all, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES)], ['id' => $id]);
        }
    }

    /**
     * @param array<string, mixed> $state
     *
     * @return array<string, mixed>
     */
    private static function task(array $state, string $rank): array
    {
        $sources = \is_array($state['sources'] ?? null) ? $state['sources'] : [];

        return [
            'createdAt' => $state['createdAt'],
            'title' => $state['title'],
            'notes' => $state['notes'],
            'list' => $state['list'],
            'parent' => null,
            'rank' => $rank,
            'start' => null,
            'due' => $state['due'],
            'estimate' => null,
            'priority' => 'normal',
            'labels' => [],
            'repeat' => null,
            'reminders' => [],
            'sources' => array_map(static fn (mixed $id): array => ['kind' => 'message', 'ref' => $id], $sources),
            'files' => [],
            'completedAt' => $state['completedAt'],
        ];
    }
}
