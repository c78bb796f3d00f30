<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261205000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The newest messages of somebody are found without those before them; what has been read for advice is counted';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE INDEX person_message_sent ON person_message (account_id, email, sent_at)');
        $this->addSql('ALTER TABLE mail_mark ADD COLUMN read INTEGER NOT NULL DEFAULT 0');
    }
}
