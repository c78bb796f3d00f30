<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261225000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Stages of lists, what stands at them, and things to look up';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE task_list ADD COLUMN stages CLOB NOT NULL DEFAULT '[]'");
        foreach (['card', 'task'] as $table) {
            $this->addSql("ALTER TABLE {$table} ADD COLUMN stage VARCHAR(36) DEFAULT NULL");
            $this->addSql("ALTER TABLE {$table} ADD COLUMN stage_since VARCHAR(20) DEFAULT NULL");
            $this->addSql("ALTER TABLE {$table} ADD COLUMN stage_rank CLOB DEFAULT NULL");
            $this->addSql("CREATE INDEX {$table}_stage ON {$table} (account_id, list_id, stage, stage_rank) WHERE stage IS NOT NULL");
        }
        $this->addSql('CREATE TABLE reference (
            id VARCHAR(36) NOT NULL PRIMARY KEY, account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED,
            list_id VARCHAR(36) NOT NULL REFERENCES task_list (id) DEFERRABLE INITIALLY DEFERRED, kind VARCHAR(10) NOT NULL,
            title CLOB NOT NULL, text CLOB NOT NULL, url CLOB NOT NULL, file_id VARCHAR(36) DEFAULT NULL,
            source_id VARCHAR(36) DEFAULT NULL, added_at VARCHAR(20) NOT NULL, rank CLOB NOT NULL
        )');
        $this->addSql('CREATE INDEX reference_list ON reference (account_id, list_id, rank, id)');
        $this->addSql('CREATE TABLE list_entry (
            list_id VARCHAR(36) NOT NULL, entry_id VARCHAR(36) NOT NULL REFERENCES journal_entry (id), PRIMARY KEY (list_id, entry_id)
        ) WITHOUT ROWID');
        $this->addSql("INSERT OR IGNORE INTO list_entry (list_id, entry_id) SELECT * FROM (
            SELECT CASE WHEN j.value ->> 'kind' = 'list' THEN j.value ->> 'id' ELSE j.value -> s.value ->> '$.list' END AS list_id, e.id
            FROM journal_entry e, json_each(e.changes) j, json_each('[\"before\",\"after\"]') s
            WHERE j.value ->> 'kind' IN ('task', 'card', 'list')) WHERE list_id IS NOT NULL");
        $this->addSql('CREATE INDEX list_entry_entry ON list_entry (entry_id)');
        $this->addSql('CREATE INDEX reference_file ON reference (file_id) WHERE file_id IS NOT NULL');
    }
}
