<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261214000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Standing orders';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        $this->addSql("CREATE TABLE standing_order (
            id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, name CLOB NOT NULL, position VARCHAR(255) NOT NULL, asks CLOB NOT NULL,
            steps CLOB NOT NULL, is_on BOOLEAN NOT NULL, is_last BOOLEAN NOT NULL, urgent BOOLEAN NOT NULL
        )");
        $this->addSql('CREATE INDEX standing_order_account ON standing_order (account_id, position)');
        $this->addSql("CREATE TABLE order_wanted (
            message_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES message (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, {$account}
        )");
        $this->addSql("CREATE TABLE order_effect (
            entry_id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, order_id VARCHAR(36) NOT NULL,
            conversation_id VARCHAR(36) NOT NULL REFERENCES conversation (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED,
            past BOOLEAN NOT NULL, done_at VARCHAR(20) NOT NULL
        ) WITHOUT ROWID");
        $this->addSql('CREATE INDEX order_effect_done ON order_effect (account_id, done_at)');
        $this->addSql('CREATE INDEX order_effect_conversation ON order_effect (conversation_id)');
        $this->addSql("CREATE TABLE order_answer (
            {$account}, email CLOB NOT NULL, answered_at VARCHAR(20) NOT NULL, PRIMARY KEY (account_id, email)
        ) WITHOUT ROWID");
    }
}
