<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261223000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Calendars of others, read at an address';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        // The address is sealed; by its hash one is not added twice.
        $this->addSql("CREATE TABLE subscription (
            id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, name VARCHAR(200) NOT NULL, named BOOLEAN NOT NULL,
            host VARCHAR(255) NOT NULL, address CLOB NOT NULL, hash VARCHAR(64) NOT NULL, busy BOOLEAN NOT NULL,
            made_at VARCHAR(20) NOT NULL, next_at VARCHAR(20) NOT NULL, read_at VARCHAR(20) DEFAULT NULL,
            failures INTEGER NOT NULL DEFAULT 0, problem CLOB DEFAULT NULL, etag VARCHAR(200) NOT NULL DEFAULT '',
            content VARCHAR(64) NOT NULL DEFAULT '', events INTEGER NOT NULL DEFAULT 0, left_out CLOB NOT NULL DEFAULT '[]',
            UNIQUE (account_id, hash)
        )");
        $this->addSql('CREATE INDEX subscription_next ON subscription (next_at)');
        // As the table of events; what is in it can be read again.
        $this->addSql("CREATE TABLE subscribed_event (
            id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, subscription_id VARCHAR(36) NOT NULL REFERENCES subscription (id)
            ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, day VARCHAR(10) NOT NULL, last_day VARCHAR(10) DEFAULT NULL,
            repeats BOOLEAN NOT NULL, state CLOB NOT NULL
        )");
        $this->addSql('CREATE INDEX subscribed_event_day ON subscribed_event (account_id, repeats, day, last_day)');
        $this->addSql('CREATE INDEX subscribed_event_subscription ON subscribed_event (subscription_id)');
    }
}
