<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261219000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Reminders of events';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE event ADD COLUMN reminds BOOLEAN NOT NULL DEFAULT 0');
        $this->addSql('CREATE INDEX event_reminding ON event (account_id, last_day) WHERE reminds');
    }
}
