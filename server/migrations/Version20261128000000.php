<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261128000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Mail that goes out, what others owe, templates, contacts, ways in and out';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        // Messages and conversations may be erased: what was written in answer to them stays.
        $this->addSql("CREATE TABLE outgoing (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, message_header CLOB NOT NULL, kind VARCHAR(10) NOT NULL, message_id VARCHAR(36), conversation_id VARCHAR(36), letter CLOB NOT NULL, state VARCHAR(10) NOT NULL, goes_at VARCHAR(20), zone VARCHAR(255), later BOOLEAN NOT NULL, next_try_at VARCHAR(20), tries INTEGER NOT NULL, problem CLOB NOT NULL, sent_at VARCHAR(20), changed_at VARCHAR(20) NOT NULL, revision INTEGER NOT NULL)");
        $this->addSql("CREATE INDEX outgoing_open ON outgoing (account_id, state) WHERE state <> 'sent'");
        $this->addSql("CREATE INDEX outgoing_due ON outgoing (state, goes_at) WHERE state IN ('waiting', 'sending')");
        $this->addSql('CREATE INDEX outgoing_header ON outgoing (account_id, message_header)');
        $this->addSql('CREATE INDEX outgoing_conversation ON outgoing (conversation_id) WHERE conversation_id IS NOT NULL');
        // The bytes that are handed over: the same however often that is tried.
        $this->addSql('CREATE TABLE outgoing_source (outgoing_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES outgoing (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, source BLOB NOT NULL)');
        $this->addSql("CREATE TABLE owed (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, person_email CLOB NOT NULL, person_name CLOB NOT NULL, what CLOB NOT NULL, until VARCHAR(20) NOT NULL, zone VARCHAR(255) NOT NULL, conversation_id VARCHAR(36), task_id VARCHAR(36), outgoing_id VARCHAR(36), asked_at VARCHAR(20) NOT NULL, state VARCHAR(12) NOT NULL, settled_at VARCHAR(20), automatic_at VARCHAR(20))");
        $this->addSql("CREATE INDEX owed_open ON owed (account_id, until) WHERE state = 'open'");
        $this->addSql('CREATE INDEX owed_conversation ON owed (conversation_id)');
        $this->addSql('CREATE INDEX owed_outgoing ON owed (outgoing_id)');
        $this->addSql("CREATE TABLE template (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, name CLOB NOT NULL, subject CLOB NOT NULL, text CLOB NOT NULL, signed BOOLEAN NOT NULL)");
        $this->addSql('CREATE INDEX template_account ON template (account_id)');
        $this->addSql("CREATE TABLE contact ({$account}, id VARCHAR(36) NOT NULL PRIMARY KEY, email CLOB NOT NULL, card CLOB NOT NULL)");
        $this->addSql('CREATE INDEX contact_email ON contact (account_id, email)');
        $this->addSql("ALTER TABLE account ADD COLUMN post_settings CLOB NOT NULL DEFAULT '{}'");
        // How far mail has been fetched.
        $this->addSql("CREATE TABLE fetched ({$account}, way VARCHAR(20) NOT NULL, seen_to CLOB NOT NULL, PRIMARY KEY (account_id, way)) WITHOUT ROWID");
        // Mail that was removed for good does not come in again.
        $this->addSql("CREATE TABLE erased_message ({$account}, fingerprint VARCHAR(64) NOT NULL, PRIMARY KEY (account_id, fingerprint)) WITHOUT ROWID");
        // Hand-overs that were only written down so far are owed by one person each.
        $this->addSql("INSERT INTO owed SELECT LOWER(HEX(RANDOMBLOB(4)) || '-' || HEX(RANDOMBLOB(2)) || '-7' || SUBSTR(HEX(RANDOMBLOB(2)), 2) || '-8' || SUBSTR(HEX(RANDOMBLOB(2)), 2) || '-' || HEX(RANDOMBLOB(6))), account_id, CASE WHEN owed_by LIKE '%@%' THEN owed_by ELSE '' END, CASE WHEN owed_by LIKE '%@%' THEN '' ELSE owed_by END, COALESCE(owed_what, ''), away_until, away_zone, id, NULL, NULL, COALESCE(decided_at, latest_at), 'open', NULL, NULL FROM conversation WHERE place = 'away' AND away_reason = 'hand_over' AND owed_by IS NOT NULL");
    }
}
