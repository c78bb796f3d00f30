<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261220000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The clock of tasks, and what is made of a day';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        // It is known how long something took also when the task or the mail is gone.
        $this->addSql("CREATE TABLE stretch (
            id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, task_id VARCHAR(36) DEFAULT NULL,
            conversation_id VARCHAR(36) DEFAULT NULL, title CLOB NOT NULL, estimated INTEGER DEFAULT NULL,
            begins VARCHAR(20) NOT NULL, ends VARCHAR(20) DEFAULT NULL
        )");
        $this->addSql('CREATE UNIQUE INDEX stretch_running ON stretch (account_id) WHERE ends IS NULL');
        $this->addSql('CREATE INDEX stretch_task ON stretch (task_id) WHERE task_id IS NOT NULL');
        $this->addSql('CREATE INDEX stretch_begins ON stretch (account_id, begins)');
        $this->addSql("CREATE TABLE day_plan (
            id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, day VARCHAR(10) NOT NULL, keystone VARCHAR(36) DEFAULT NULL,
            laid_out_at VARCHAR(20) DEFAULT NULL, closed_at VARCHAR(20) DEFAULT NULL
        )");
        $this->addSql('CREATE UNIQUE INDEX day_plan_day ON day_plan (account_id, day)');
    }
}
