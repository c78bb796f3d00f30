<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use ZippyTray\Core\Mail\Text\SubjectLine;

final class Version20261129000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Limits of what is read, sessions, what the worker has to do and whether it is there';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        $message = 'message_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES message (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED';
        // What there is to say of a message besides; of those that are there already it is looked for when they are read again.
        $this->addSql('ALTER TABLE message ADD COLUMN remarks CLOB');
        // What somebody has looked at and what has not been read by the present rules; the worker reads it.
        $this->addSql("CREATE TABLE findings_wanted ({$message}, {$account})");
        $this->addSql('CREATE INDEX findings_wanted_account ON findings_wanted (account_id)');
        // The HTML of a message made safe, compressed, and by which rules.
        $this->addSql("CREATE TABLE message_page ({$message}, rules VARCHAR(20) NOT NULL, page BLOB NOT NULL)");
        // When a worker was seen last, by the clock of the machine.
        $this->addSql('CREATE TABLE worker_seen (id INTEGER NOT NULL PRIMARY KEY CHECK (id = 1), seen_at VARCHAR(20) NOT NULL)');
        // What was begun and has not come to an end.
        $this->addSql('CREATE TABLE attempt (what VARCHAR(255) NOT NULL PRIMARY KEY, times INTEGER NOT NULL) WITHOUT ROWID');
        // What has come and could not be taken in.
        $this->addSql("CREATE TABLE left_out (id INTEGER NOT NULL PRIMARY KEY, {$account}, way VARCHAR(20) NOT NULL, name CLOB NOT NULL, problem CLOB NOT NULL, left_at VARCHAR(20) NOT NULL)");
        $this->addSql('CREATE UNIQUE INDEX left_out_name ON left_out (account_id, way, name)');
        // Who is signed in where.
        $this->addSql('CREATE TABLE session (id VARCHAR(128) NOT NULL PRIMARY KEY, account_id VARCHAR(36) REFERENCES account (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, data BLOB NOT NULL, expires_at INTEGER NOT NULL, begun_at VARCHAR(20) NOT NULL, used_at VARCHAR(20) NOT NULL, browser CLOB NOT NULL)');
        $this->addSql('CREATE INDEX session_account ON session (account_id)');
        $this->addSql('CREATE INDEX session_expires ON session (expires_at)');
        // An early database of the version before knew reminders without how they are meant.
        if (false === $this->connection->fetchOne("SELECT 1 FROM pragma_table_info('ring') WHERE name = 'how'")) {
            $this->addSql("ALTER TABLE ring ADD COLUMN how VARCHAR(10) NOT NULL DEFAULT 'moment'");
        }
        $hasSubjects = false !== $this->connection->fetchOne("SELECT 1 FROM sqlite_master WHERE name = 'thread_subject'");
        if (!$hasSubjects) {
            // The very first databases knew threads by conversations; postUp() fills the tables.
            $this->addSql('DROP TABLE IF EXISTS thread_id');
            $this->addSql("CREATE TABLE thread_id ({$account}, header CLOB NOT NULL, message_id VARCHAR(36) NOT NULL REFERENCES message (id) DEFERRABLE INITIALLY DEFERRED, PRIMARY KEY (account_id, header, message_id)) WITHOUT ROWID");
            $this->addSql('CREATE INDEX thread_id_message ON thread_id (message_id)');
            $this->addSql("CREATE TABLE thread_subject (message_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES message (id) DEFERRABLE INITIALLY DEFERRED, {$account}, base CLOB NOT NULL, sent_at VARCHAR(20) NOT NULL)");
            $this->addSql('CREATE INDEX thread_subject_base ON thread_subject (account_id, base, sent_at)');
        }
    }

    public function postUp(Schema $schema): void
    {
        if (false !== $this->connection->fetchOne('SELECT 1 FROM thread_subject LIMIT 1')) {
            return;
        }
        /** @var iterable<array{id: string, account_id: string, message_header: string, reference_ids: string, subject: string, sent_at: string}> $messages */
        $messages = $this->connection->iterateAssociative('SELECT id, account_id, message_header, reference_ids, subject, sent_at FROM message');
        foreach ($messages as $message) {
            /** @var list<string> $headers */
            $headers = json_decode($message['reference_ids'], true, 8, \JSON_THROW_ON_ERROR);
            foreach (array_unique(array_filter([$message['message_header'], ...$headers])) as $header) {
                $this->connection->insert('thread_id', ['account_id' => $message['account_id'], 'header' => $header, 'message_id' => $message['id']]);
            }
            $this->connection->insert('thread_subject', ['message_id' => $message['id'], 'account_id' => $message['account_id'], 'base' => SubjectLine::base($message['subject']), 'sent_at' => $message['sent_at']]);
        }
    }
}
