<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261204000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What is asked for again and again is read by the index that it needs';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE INDEX journal_touch_entry ON journal_touch (entry_id, kind, object_id)');
        $this->addSql('CREATE INDEX journal_entry_done ON journal_entry (account_id, done_at)');
        $this->addSql('CREATE INDEX journal_entry_undone_by ON journal_entry (undone_by) WHERE undone_by IS NOT NULL');
        $this->addSql('CREATE INDEX conversation_latest ON conversation (account_id, latest_at)');
        $this->addSql('CREATE INDEX conversation_muted ON conversation (account_id, latest_at) WHERE muted');
        // How often the person has written to somebody is kept with that somebody.
        $this->addSql('DROP TABLE written_to');
    }
}
