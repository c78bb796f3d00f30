<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261125000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Clearing: advice, habits, touches, blocked senders, hand-overs';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        foreach (['owed_by CLOB', 'owed_what CLOB', 'muted BOOLEAN NOT NULL DEFAULT 0', 'decided_at VARCHAR(20)', 'decided_as VARCHAR(255)', 'revision INTEGER NOT NULL DEFAULT 1', 'revised_by_mail BOOLEAN NOT NULL DEFAULT 1', "habit_key CLOB NOT NULL DEFAULT ''"] as $column) {
            $this->addSql('ALTER TABLE conversation ADD COLUMN '.$column);
        }
        $this->addSql('UPDATE conversation SET habit_key = LOWER(latest_email)');
        $this->addSql('CREATE INDEX conversation_habit ON conversation (account_id, habit_key, decided_at) WHERE decided_as IS NOT NULL');
        $this->addSql('ALTER TABLE journal_entry ADD COLUMN clearing_id VARCHAR(36)');
        $this->addSql('CREATE INDEX journal_entry_clearing ON journal_entry (account_id, clearing_id, number) WHERE clearing_id IS NOT NULL');
        $this->addSql('ALTER TABLE account ADD COLUMN day_first BOOLEAN NOT NULL DEFAULT 1');
        $this->addSql("ALTER TABLE account ADD COLUMN clearing_order VARCHAR(20) NOT NULL DEFAULT 'grouped'");
        $this->addSql("CREATE TABLE clearing (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, in_order VARCHAR(20) NOT NULL, size INTEGER NOT NULL, started_at VARCHAR(20) NOT NULL, ended_at VARCHAR(20))");
        $this->addSql("CREATE TABLE blocked_sender (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, pattern CLOB NOT NULL, since VARCHAR(20) NOT NULL)");
        $this->addSql('CREATE INDEX blocked_sender_pattern ON blocked_sender (account_id, pattern)');
        $this->addSql('CREATE TABLE conversation_touch (conversation_id VARCHAR(36) NOT NULL REFERENCES conversation (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, occasion VARCHAR(36) NOT NULL, touched_at VARCHAR(20) NOT NULL, PRIMARY KEY (conversation_id, occasion)) WITHOUT ROWID');
        // What ReadLetter found, and by which rules; made anew when the rules change.
        $this->addSql('CREATE TABLE message_findings (message_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES message (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, rules VARCHAR(20) NOT NULL, findings CLOB NOT NULL)');
        // To whom the person has written.
        $this->addSql("CREATE TABLE written_to ({$account}, email CLOB NOT NULL, message_id VARCHAR(36) NOT NULL REFERENCES message (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, PRIMARY KEY (account_id, email, message_id)) WITHOUT ROWID");
        $this->addSql("INSERT OR IGNORE INTO written_to SELECT m.account_id, LOWER(j.value ->> 'email'), m.id FROM message m, json_each(m.recipients) j WHERE m.own AND j.value ->> 'email' <> ''");
        $this->addSql('CREATE INDEX written_to_message ON written_to (message_id)');
    }

    /** What the journal keeps of conversations gets the fields that conversations have now. */
    public function postUp(Schema $schema): void
    {
        /** @var iterable<array{id: string, changes: string}> $entries */
        $entries = $this->connection->iterateAssociative("SELECT id, changes FROM journal_entry WHERE changes LIKE '%awayReason%'");
        $new = ['owedBy' => null, 'owedWhat' => null, 'muted' => false, 'decidedAt' => null, 'decidedAs' => null];
        foreach ($entries as ['id' => $id, 'changes' => $changes]) {
            /** @var list<array{kind: string, id: string, before: array<string, mixed>|null, after: array<string, mixed>|null}> $list */
            $list = json_decode($changes, true, 64, \JSON_THROW_ON_ERROR);
            foreach ($list as &$change) {
                if ('conversation' === $change['kind']) {
                    $change['before'] = null === $change['before'] ? null : $change['before'] + $new;
                    $change['after'] = null === $change['after'] ? null : $change['after'] + $new;
                }
            }
            unset($change);
            $this->connection->update('journal_entry', ['changes' => json_encode($list, \JSON_THROW_ON_ERROR)], ['id' => $id]);
        }
    }
}
