<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261213000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Stamps';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE stamp (
            id VARCHAR(36) NOT NULL PRIMARY KEY,
            account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED,
            name CLOB NOT NULL, digit INTEGER, steps CLOB NOT NULL
        )');
        $this->addSql('CREATE INDEX stamp_account ON stamp (account_id)');
    }
}
