<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261215000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Mail-in addresses';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE account ADD COLUMN mail_in_settings CLOB NOT NULL DEFAULT '{}'");
        $this->addSql('CREATE TABLE mail_in (
            id VARCHAR(36) NOT NULL PRIMARY KEY,
            account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED,
            message_id VARCHAR(36) NOT NULL REFERENCES message (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED,
            details CLOB NOT NULL, answers VARCHAR(36) NOT NULL, at VARCHAR(20) NOT NULL, state VARCHAR(10) NOT NULL,
            did CLOB NOT NULL, troubles CLOB NOT NULL, entry_id VARCHAR(36) DEFAULT NULL, task_id VARCHAR(36) DEFAULT NULL
        )');
        $this->addSql("CREATE INDEX mail_in_wanted ON mail_in (state) WHERE state = 'wanted'");
        $this->addSql('CREATE INDEX mail_in_at ON mail_in (account_id, at)');
        $this->addSql('CREATE INDEX mail_in_message ON mail_in (message_id)');
    }
}
