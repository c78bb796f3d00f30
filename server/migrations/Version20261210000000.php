<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261210000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Somebody can have several mailboxes and several addresses';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        foreach (["addresses CLOB NOT NULL DEFAULT '[]'", "program_address VARCHAR(255) NOT NULL DEFAULT 'http://127.0.0.1:8017'", 'mailbox_changes INTEGER NOT NULL DEFAULT 0'] as $column) {
            $this->addSql('ALTER TABLE account ADD COLUMN '.$column);
        }
        $this->addSql('CREATE TABLE mailbox (account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED, position INTEGER NOT NULL, goes_out VARCHAR(20) NOT NULL, dsn CLOB NOT NULL, plain BOOLEAN NOT NULL, comes_in VARCHAR(20) NOT NULL, folder CLOB NOT NULL, PRIMARY KEY (account_id, position))');
        $this->addSql("INSERT INTO mailbox (account_id, position, goes_out, dsn, plain, comes_in, folder) SELECT id, 0, COALESCE(post_settings ->> 'out', 'none'), COALESCE(post_settings ->> 'dsn', ''), COALESCE(post_settings ->> 'plain', 0), COALESCE(post_settings ->> 'in', 'none'), COALESCE(post_settings ->> 'folder', '') FROM account WHERE post_settings ->> 'out' IS NOT NULL OR post_settings ->> 'in' IS NOT NULL");
        $this->addSql("UPDATE account SET program_address = COALESCE(post_settings ->> 'address', program_address)");
        $this->addSql("UPDATE account SET post_settings = json_remove(post_settings, '$.out', '$.dsn', '$.plain', '$.in', '$.folder', '$.address')");
    }
}
