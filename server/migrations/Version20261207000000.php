<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261207000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What words are found in is put in order by small numbers, without reading whole rows';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE search_conversation (number INTEGER NOT NULL PRIMARY KEY, id VARCHAR(36) NOT NULL UNIQUE, account_id VARCHAR(36), latest_at VARCHAR(20))');
        $this->addSql('CREATE TABLE search_message (number INTEGER NOT NULL PRIMARY KEY, conversation INTEGER NOT NULL)');
        $this->addSql('INSERT INTO search_conversation (id, account_id, latest_at) SELECT id, account_id, latest_at FROM conversation');
        $this->addSql('INSERT INTO search_message (number, conversation) SELECT x.number, o.number FROM conversation_message x JOIN search_conversation o ON o.id = x.conversation_id');

        // A message gets its place before its conversation is written, when that is new.
        $place = 'INSERT OR IGNORE INTO search_conversation (id) VALUES (NEW.conversation_id);
            INSERT OR REPLACE INTO search_message (number, conversation) SELECT NEW.number, number FROM search_conversation WHERE id = NEW.conversation_id;';
        $conversation = 'INSERT INTO search_conversation (id, account_id, latest_at) VALUES (NEW.id, NEW.account_id, NEW.latest_at)
            ON CONFLICT (id) DO UPDATE SET account_id = excluded.account_id, latest_at = excluded.latest_at;';
        $this->addSql("CREATE TRIGGER message_placed AFTER INSERT ON conversation_message BEGIN {$place} END");
        $this->addSql("CREATE TRIGGER message_moved AFTER UPDATE OF conversation_id ON conversation_message BEGIN {$place} END");
        $this->addSql('CREATE TRIGGER message_unplaced AFTER DELETE ON conversation_message BEGIN DELETE FROM search_message WHERE number = OLD.number; END');
        $this->addSql("CREATE TRIGGER conversation_placed AFTER INSERT ON conversation BEGIN {$conversation} END");
        $this->addSql("CREATE TRIGGER conversation_later AFTER UPDATE OF latest_at ON conversation BEGIN {$conversation} END");
        $this->addSql('CREATE TRIGGER conversation_unplaced AFTER DELETE ON conversation BEGIN DELETE FROM search_conversation WHERE id = OLD.id; END');
    }
}
