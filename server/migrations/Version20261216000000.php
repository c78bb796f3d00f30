<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261216000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Slots';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE account ADD COLUMN agenda_settings CLOB NOT NULL DEFAULT '{}'");
        // A task that is deleted can be put back, and lies where it lay.
        $this->addSql('CREATE TABLE slot (
            id VARCHAR(36) NOT NULL PRIMARY KEY, account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED,
            task_id VARCHAR(36) NOT NULL, day VARCHAR(10) NOT NULL, at VARCHAR(20) DEFAULT NULL, zone VARCHAR(255) DEFAULT NULL,
            minutes INTEGER NOT NULL
        )');
        $this->addSql('CREATE INDEX slot_at ON slot (account_id, at) WHERE at IS NOT NULL');
        $this->addSql('CREATE INDEX slot_day ON slot (account_id, day) WHERE at IS NULL');
        $this->addSql('CREATE INDEX slot_task ON slot (task_id)');
    }
}
