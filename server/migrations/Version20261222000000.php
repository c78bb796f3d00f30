<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261222000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Addresses at which other programs read agendas';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE agenda_address (
            account_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED,
            hash VARCHAR(64) NOT NULL UNIQUE, word CLOB NOT NULL, made_at VARCHAR(20) NOT NULL
        ) WITHOUT ROWID');
    }
}
