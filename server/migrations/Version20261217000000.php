<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261217000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Events';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        // The last day is missing where a series has no end; both are a day wide of it, since days are those of whoever looks.
        $this->addSql('CREATE TABLE event (
            id VARCHAR(36) NOT NULL PRIMARY KEY, account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED,
            uid VARCHAR(255) NOT NULL, title VARCHAR(255) NOT NULL, day VARCHAR(10) NOT NULL, last_day VARCHAR(10) DEFAULT NULL,
            repeats BOOLEAN NOT NULL, state CLOB NOT NULL
        )');
        $this->addSql('CREATE INDEX event_day ON event (account_id, repeats, day, last_day)');
        $this->addSql('CREATE UNIQUE INDEX event_uid ON event (account_id, uid)');
    }
}
