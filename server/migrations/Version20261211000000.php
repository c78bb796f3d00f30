<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261211000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What is decided is learned from';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        $this->addSql('ALTER TABLE conversation ADD COLUMN decided_unread BOOLEAN NOT NULL DEFAULT 0');
        $this->addSql("CREATE TABLE correction (
            id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, about VARCHAR(20) NOT NULL, trait CLOB NOT NULL, name CLOB NOT NULL,
            made_at VARCHAR(20) NOT NULL, matters INTEGER NOT NULL, should VARCHAR(20)
        )");
        $this->addSql('CREATE UNIQUE INDEX correction_trait ON correction (account_id, trait)');
        $this->addSql("CREATE TABLE learning (
            {$account}, learned_to INTEGER NOT NULL, lessons INTEGER NOT NULL, kept_from INTEGER NOT NULL, PRIMARY KEY (account_id)
        ) WITHOUT ROWID");
        $this->addSql("CREATE TABLE learned_trait (
            {$account}, trait CLOB NOT NULL, matters DOUBLE PRECISION NOT NULL, leans CLOB NOT NULL, seen INTEGER NOT NULL,
            PRIMARY KEY (account_id, trait)
        ) WITHOUT ROWID");
        $this->addSql("CREATE TABLE learned_before (
            {$account}, number INTEGER NOT NULL, weights CLOB NOT NULL, lessons INTEGER NOT NULL, PRIMARY KEY (account_id, number)
        ) WITHOUT ROWID");
        $this->addSql("CREATE TABLE lesson (
            {$account}, number INTEGER NOT NULL, conversation_id VARCHAR(36) NOT NULL, habit_key CLOB NOT NULL, traits CLOB NOT NULL,
            shown VARCHAR(20) NOT NULL, done VARCHAR(20) NOT NULL, PRIMARY KEY (account_id, number, conversation_id)
        ) WITHOUT ROWID");
        $this->addSql('CREATE INDEX lesson_habit ON lesson (account_id, habit_key, number)');
        $this->addSql("CREATE TABLE conversation_importance (
            conversation_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES conversation (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED,
            {$account}, score INTEGER NOT NULL, learned_to INTEGER NOT NULL
        ) WITHOUT ROWID");
        $this->addSql('CREATE INDEX conversation_importance_score ON conversation_importance (account_id, score)');
        $this->addSql("CREATE TRIGGER conversation_importance_over AFTER UPDATE OF place ON conversation
            WHEN NEW.place NOT IN ('tray', 'away') BEGIN
                DELETE FROM conversation_importance WHERE conversation_id = NEW.id;
            END");
    }
}
