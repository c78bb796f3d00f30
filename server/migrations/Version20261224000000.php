<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261224000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Conversations that belong to lists, and notes of lists';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        $this->addSql("CREATE TABLE card (
            id VARCHAR(36) NOT NULL PRIMARY KEY, {$account},
            conversation_id VARCHAR(36) NOT NULL REFERENCES conversation (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED,
            list_id VARCHAR(36) NOT NULL REFERENCES task_list (id) DEFERRABLE INITIALLY DEFERRED, since VARCHAR(20) NOT NULL
        )");
        $this->addSql("ALTER TABLE task_list ADD COLUMN note CLOB NOT NULL DEFAULT ''");
        $this->addSql('CREATE UNIQUE INDEX card_of ON card (conversation_id, list_id)');
        $this->addSql('CREATE INDEX card_list ON card (account_id, list_id, conversation_id)');
    }
}
