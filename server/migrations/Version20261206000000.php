<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261206000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'The index of words holds no second copy of the text, and follows the messages by itself';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        // SQLite lets the content of an index come from a view, but not from one with a virtual table, as json_each is.
        $this->addSql("ALTER TABLE conversation_message ADD COLUMN people CLOB NOT NULL DEFAULT ''");
        $this->addSql("UPDATE conversation_message SET people = COALESCE((SELECT s.people FROM message_search s WHERE s.rowid = number), '')");
        $this->addSql('CREATE VIEW message_words AS SELECT x.number, x.message_id, x.conversation_id, m.subject, x.people, m.text FROM conversation_message x JOIN message m ON m.id = x.message_id');
        $this->addSql('DROP TABLE message_search');
        $this->addSql("CREATE VIRTUAL TABLE message_search USING fts5(subject, people, text, content = 'message_words', content_rowid = 'number', tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3')");
        $this->addSql("INSERT INTO message_search (message_search) VALUES ('rebuild')");
        // A message is put after its place in a conversation, and taken out after it.
        $this->addSql('CREATE TRIGGER message_indexed AFTER INSERT ON message BEGIN
            INSERT INTO message_search (rowid, subject, people, text) SELECT number, subject, people, text FROM message_words WHERE message_id = NEW.id;
            END');
        $this->addSql('CREATE TRIGGER message_unindexed BEFORE DELETE ON conversation_message BEGIN DELETE FROM message_search WHERE rowid = OLD.number; END');
    }
}
