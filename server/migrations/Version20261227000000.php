<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261227000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Mailboxes on a mail server: their folders, what lies in them, and what the server is still to do';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED';
        $this->addSql("ALTER TABLE mailbox ADD COLUMN server CLOB NOT NULL DEFAULT ''");
        $this->addSql("ALTER TABLE mailbox ADD COLUMN address CLOB NOT NULL DEFAULT ''");
        $this->addSql("CREATE TABLE server_state (
            {$account}, mailbox INTEGER NOT NULL, settings CLOB NOT NULL DEFAULT '{}', looks INTEGER NOT NULL DEFAULT 0,
            looked_at VARCHAR(20) DEFAULT NULL, look_at VARCHAR(20) DEFAULT NULL, failures INTEGER NOT NULL DEFAULT 0,
            refusals INTEGER NOT NULL DEFAULT 0, problem CLOB NOT NULL DEFAULT '', paused BOOLEAN NOT NULL DEFAULT 0,
            PRIMARY KEY (account_id, mailbox)
        ) WITHOUT ROWID");
        $this->addSql("CREATE TABLE server_folder (
            id INTEGER PRIMARY KEY AUTOINCREMENT, {$account}, mailbox INTEGER NOT NULL, name CLOB NOT NULL, role VARCHAR(10) NOT NULL,
            taken_in BOOLEAN NOT NULL, validity INTEGER NOT NULL, next INTEGER NOT NULL DEFAULT 1, mod_seq INTEGER NOT NULL DEFAULT 0,
            messages INTEGER NOT NULL DEFAULT 0, UNIQUE (account_id, mailbox, name)
        )");
        $this->addSql("CREATE TABLE server_copy (
            id INTEGER PRIMARY KEY AUTOINCREMENT, {$account}, mailbox INTEGER NOT NULL,
            folder_id INTEGER REFERENCES server_folder (id) ON DELETE SET NULL DEFERRABLE INITIALLY DEFERRED, uid INTEGER DEFAULT NULL,
            message_id VARCHAR(36) DEFAULT NULL, header CLOB NOT NULL, size INTEGER NOT NULL, came_at VARCHAR(20) NOT NULL,
            state VARCHAR(10) NOT NULL, seen BOOLEAN NOT NULL, settled VARCHAR(10) DEFAULT NULL, agreed VARCHAR(10) DEFAULT NULL,
            settled_seen BOOLEAN DEFAULT NULL, agreed_read BOOLEAN DEFAULT NULL, came_from INTEGER DEFAULT NULL, leaving INTEGER NOT NULL DEFAULT 0,
            missed INTEGER NOT NULL DEFAULT 0, told INTEGER NOT NULL DEFAULT 0, erased BOOLEAN NOT NULL DEFAULT 0
        )");
        $this->addSql('CREATE UNIQUE INDEX server_copy_uid ON server_copy (folder_id, uid) WHERE uid IS NOT NULL');
        $this->addSql('CREATE INDEX server_copy_message ON server_copy (message_id) WHERE message_id IS NOT NULL');
        $this->addSql("CREATE INDEX server_copy_wanted ON server_copy (account_id, mailbox, came_at) WHERE state = 'wanted'");
        $this->addSql('CREATE INDEX server_copy_missed ON server_copy (account_id, mailbox, header, size) WHERE missed > 0');
        $this->addSql('CREATE INDEX server_copy_missed_size ON server_copy (account_id, mailbox, size) WHERE missed > 0');
        $this->addSql('CREATE INDEX server_copy_erased ON server_copy (account_id, mailbox) WHERE erased');
        // What has changed here, and of which the server has not heard yet: written in the transaction in which it changes.
        $this->addSql("CREATE TABLE server_mark (conversation_id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}) WITHOUT ROWID");
        $this->addSql('CREATE INDEX server_mark_account ON server_mark (account_id)');
        $this->addSql("CREATE TABLE server_wish (
            id INTEGER PRIMARY KEY AUTOINCREMENT, {$account}, mailbox INTEGER NOT NULL,
            copy_id INTEGER REFERENCES server_copy (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, message_id VARCHAR(36) DEFAULT NULL,
            kind VARCHAR(10) NOT NULL, target VARCHAR(20) NOT NULL, belongs VARCHAR(10) NOT NULL, made_at VARCHAR(20) NOT NULL,
            begun BOOLEAN NOT NULL DEFAULT 0, failures INTEGER NOT NULL DEFAULT 0, next_at VARCHAR(20) DEFAULT NULL, problem CLOB NOT NULL DEFAULT ''
        )");
        $this->addSql('CREATE UNIQUE INDEX server_wish_copy ON server_wish (copy_id, kind) WHERE copy_id IS NOT NULL');
        $this->addSql('CREATE UNIQUE INDEX server_wish_message ON server_wish (message_id, mailbox, kind) WHERE copy_id IS NULL');
        $this->addSql('CREATE INDEX server_wish_due ON server_wish (account_id, mailbox, id)');
        $mark = static fn (string $id, string $account): string => "INSERT OR IGNORE INTO server_mark (conversation_id, account_id) VALUES ({$id}, {$account});";
        $this->addSql('CREATE TRIGGER server_marked AFTER UPDATE OF place, away_until, away_reason, unread ON conversation
            WHEN (OLD.place, OLD.away_until, OLD.away_reason, OLD.unread) IS NOT (NEW.place, NEW.away_until, NEW.away_reason, NEW.unread)
                AND EXISTS (SELECT 1 FROM server_state WHERE account_id = NEW.account_id)
            BEGIN '.$mark('NEW.id', 'NEW.account_id').' END');
        $this->addSql('CREATE TRIGGER server_marked_moved AFTER UPDATE OF conversation_id ON conversation_message
            WHEN EXISTS (SELECT 1 FROM server_copy WHERE message_id = NEW.message_id)
            BEGIN INSERT OR IGNORE INTO server_mark (conversation_id, account_id)
                SELECT NEW.conversation_id, account_id FROM message WHERE id = NEW.message_id; END');
        $this->addSql("CREATE TRIGGER server_marked_sent AFTER UPDATE OF state ON outgoing
            WHEN NEW.state = 'sent' AND OLD.state <> 'sent' AND NEW.conversation_id IS NOT NULL
                AND EXISTS (SELECT 1 FROM server_state WHERE account_id = NEW.account_id)
            BEGIN ".$mark('NEW.conversation_id', 'NEW.account_id').' END');
        $this->addSql('CREATE TRIGGER server_copy_orphaned AFTER DELETE ON message
            BEGIN UPDATE server_copy SET erased = 1, message_id = NULL WHERE message_id = OLD.id; END');
    }
}
