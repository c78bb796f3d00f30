<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261221000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Looking back over a week, and its figures';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        $this->addSql("CREATE TABLE look_back (
            {$account}, week VARCHAR(10) NOT NULL, stop VARCHAR(20) NOT NULL, begun_at VARCHAR(20) NOT NULL,
            ended_at VARCHAR(20) DEFAULT NULL, PRIMARY KEY (account_id, week)
        )");
        // What a week came to is kept: much of what it is counted from goes one day.
        $this->addSql("CREATE TABLE week_figures (
            {$account}, week VARCHAR(10) NOT NULL, figures CLOB NOT NULL, PRIMARY KEY (account_id, week)
        ) WITHOUT ROWID");
    }
}
