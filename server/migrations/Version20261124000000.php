<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261124000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Accounts, mail, tasks and the journal';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        $message = 'message_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES message (id) DEFERRABLE INITIALLY DEFERRED';
        $conversation = 'conversation_id VARCHAR(36) NOT NULL REFERENCES conversation (id) DEFERRABLE INITIALLY DEFERRED';

        $this->addSql('CREATE TABLE account (id VARCHAR(36) NOT NULL PRIMARY KEY, email VARCHAR(255) NOT NULL COLLATE NOCASE, name VARCHAR(255) NOT NULL, zone VARCHAR(255) NOT NULL, password VARCHAR(255) NOT NULL, created_at VARCHAR(20) NOT NULL)');
        $this->addSql('CREATE UNIQUE INDEX account_email ON account (email)');

        $this->addSql("CREATE TABLE conversation (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, place VARCHAR(255) NOT NULL, away_until VARCHAR(20), away_zone VARCHAR(255), away_reason VARCHAR(255), binned_at VARCHAR(20), snoozes INTEGER NOT NULL, unread BOOLEAN NOT NULL, subject CLOB NOT NULL, latest_name CLOB NOT NULL, latest_email CLOB NOT NULL, excerpt CLOB NOT NULL, latest_at VARCHAR(20) NOT NULL, messages INTEGER NOT NULL, attachments INTEGER NOT NULL)");
        $this->addSql('CREATE INDEX conversation_place ON conversation (account_id, place, latest_at)');
        $this->addSql('CREATE INDEX conversation_away ON conversation (account_id, away_until) WHERE away_until IS NOT NULL');

        $this->addSql("CREATE TABLE message (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, message_header CLOB NOT NULL, reference_ids CLOB NOT NULL, sender CLOB NOT NULL, reply_to CLOB NOT NULL, recipients CLOB NOT NULL, copied CLOB NOT NULL, subject CLOB NOT NULL, sent_at VARCHAR(20) NOT NULL, sent_zone VARCHAR(255) NOT NULL, date_source VARCHAR(255) NOT NULL, text CLOB NOT NULL, plain BOOLEAN NOT NULL, formatted BOOLEAN NOT NULL, attachments CLOB NOT NULL, list_headers CLOB NOT NULL, fingerprint VARCHAR(64) NOT NULL, size INTEGER NOT NULL, own BOOLEAN NOT NULL, imported_at VARCHAR(20) NOT NULL)");
        $this->addSql('CREATE UNIQUE INDEX message_fingerprint ON message (account_id, fingerprint)');
        $this->addSql("CREATE TABLE message_source ({$message}, source BLOB NOT NULL)");
        $this->addSql("CREATE TABLE conversation_message (number INTEGER NOT NULL PRIMARY KEY, message_id VARCHAR(36) NOT NULL UNIQUE REFERENCES message (id) DEFERRABLE INITIALLY DEFERRED, {$conversation})");
        $this->addSql('CREATE INDEX conversation_message_conversation ON conversation_message (conversation_id)');
        $this->addSql("CREATE TABLE thread_id ({$account}, header CLOB NOT NULL, message_id VARCHAR(36) NOT NULL REFERENCES message (id) DEFERRABLE INITIALLY DEFERRED, PRIMARY KEY (account_id, header, message_id)) WITHOUT ROWID");
        $this->addSql('CREATE INDEX thread_id_message ON thread_id (message_id)');
        $this->addSql("CREATE TABLE thread_subject ({$message}, {$account}, base CLOB NOT NULL, sent_at VARCHAR(20) NOT NULL)");
        $this->addSql('CREATE INDEX thread_subject_base ON thread_subject (account_id, base, sent_at)');
        // Its rowid is the number of conversation_message.
        $this->addSql("CREATE VIRTUAL TABLE message_search USING fts5(subject, people, text, tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3')");

        $this->addSql("CREATE TABLE task_list (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, name CLOB NOT NULL)");
        $this->addSql("CREATE TABLE task (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, created_at VARCHAR(20) NOT NULL, title CLOB NOT NULL, notes CLOB NOT NULL, list_id VARCHAR(36) NOT NULL REFERENCES task_list (id) DEFERRABLE INITIALLY DEFERRED, due_date VARCHAR(10), due_time VARCHAR(5), due_zone VARCHAR(255), sources CLOB NOT NULL, completed_at VARCHAR(20))");
        $this->addSql('CREATE INDEX task_open ON task (account_id, completed_at, due_date)');
        $this->addSql("CREATE TABLE source_copy (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, message_id VARCHAR(36) NOT NULL, message_header CLOB NOT NULL, sender CLOB NOT NULL, recipients CLOB NOT NULL, subject CLOB NOT NULL, sent_at VARCHAR(20) NOT NULL, sent_zone VARCHAR(255) NOT NULL, text CLOB NOT NULL, attachments CLOB NOT NULL)");
        $this->addSql('CREATE INDEX source_copy_message ON source_copy (account_id, message_id)');

        $this->addSql("CREATE TABLE journal_entry (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, number INTEGER NOT NULL, done_at VARCHAR(20) NOT NULL, kind VARCHAR(255) NOT NULL, about CLOB NOT NULL, consequence CLOB NOT NULL, changes CLOB NOT NULL, undoes VARCHAR(36), undone_by VARCHAR(36))");
        $this->addSql('CREATE UNIQUE INDEX journal_entry_number ON journal_entry (account_id, number)');
        $this->addSql('CREATE TABLE journal_touch (entry_id VARCHAR(36) NOT NULL REFERENCES journal_entry (id), kind VARCHAR(20) NOT NULL, object_id VARCHAR(36) NOT NULL, PRIMARY KEY (kind, object_id, entry_id)) WITHOUT ROWID');
    }
}
