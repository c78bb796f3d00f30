<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261228000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What is to come in from a mail server is found folder by folder; addresses of a mailbox; answered there';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql('DROP INDEX server_copy_wanted');
        $this->addSql("CREATE INDEX server_copy_wanted ON server_copy (folder_id, came_at) WHERE state = 'wanted' AND missed = 0");
        $this->addSql('ALTER TABLE server_copy ADD COLUMN answered BOOLEAN NOT NULL DEFAULT 0');
        // Where what was begun may have left another one of the message, which is noted behind these if it was seen.
        $this->addSql('ALTER TABLE server_wish ADD COLUMN begun_in INTEGER DEFAULT NULL');
        $this->addSql('ALTER TABLE server_wish ADD COLUMN begun_after INTEGER DEFAULT NULL');
        $this->addSql('ALTER TABLE server_wish ADD COLUMN begun_for VARCHAR(10) DEFAULT NULL');
        $this->addSql("ALTER TABLE mailbox ADD COLUMN aliases CLOB NOT NULL DEFAULT '[]'");
    }
}
