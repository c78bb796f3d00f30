<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Coming back: why and since when, reminders of conversations, what has come of reminders, housekeeping';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        foreach (['called_back_by VARCHAR(10)', 'snoozed_since VARCHAR(20)', "reminders CLOB NOT NULL DEFAULT '[]'"] as $column) {
            $this->addSql('ALTER TABLE conversation ADD COLUMN '.$column);
        }
        $this->addSql("CREATE INDEX conversation_reminding ON conversation (account_id) WHERE reminders <> '[]'");
        $this->addSql("CREATE INDEX task_reminding ON task (account_id) WHERE reminders <> '[]' AND completed_at IS NULL");
        $this->addSql('CREATE INDEX task_timed ON task (account_id) WHERE completed_at IS NULL AND (start_time IS NOT NULL OR due_time IS NOT NULL)');
        $this->addSql("ALTER TABLE account ADD COLUMN tray_settings CLOB NOT NULL DEFAULT '{}'");
        $this->addSql("CREATE TABLE ring (id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, key CLOB NOT NULL, about_kind VARCHAR(20) NOT NULL, about_id VARCHAR(36) NOT NULL, how VARCHAR(10) NOT NULL, reminder CLOB NOT NULL, at VARCHAR(20) NOT NULL, times INTEGER NOT NULL, noticed_at VARCHAR(20) NOT NULL, answered_at VARCHAR(20))");
        $this->addSql('CREATE UNIQUE INDEX ring_key ON ring (account_id, key)');
        $this->addSql('CREATE INDEX ring_up ON ring (account_id, at) WHERE answered_at IS NULL');
        // When the clock was looked at for somebody.
        $this->addSql("CREATE TABLE look ({$account}, looked_at VARCHAR(20) NOT NULL, PRIMARY KEY (account_id)) WITHOUT ROWID");
        $this->addSql("INSERT INTO look SELECT id, strftime('%Y-%m-%dT%H:%M:%SZ', 'now') FROM account");
        // When a chore was done last.
        $this->addSql('CREATE TABLE chore (name VARCHAR(50) NOT NULL PRIMARY KEY, done_at VARCHAR(20) NOT NULL) WITHOUT ROWID');
    }

    /** What the journal keeps of conversations gets the fields that conversations have now. */
    public function postUp(Schema $schema): void
    {
        $new = ['calledBackBy' => null, 'snoozedSince' => null, 'reminders' => []];
        /** @var iterable<array{id: string, changes: string}> $entries */
        $entries = $this->connection->iterateAssociative("SELECT id, changes FROM journal_entry WHERE changes LIKE '%awayReason%'");
        foreach ($entries as ['id' => $id, 'changes' => $changes]) {
            /** @var list<array{kind: string, before: array<string, mixed>|null, after: array<string, mixed>|null}> $all */
            $all = json_decode($changes, true, 64, \JSON_THROW_ON_ERROR);
            $all = array_map(static fn (array $change): array => 'conversation' !== $change['kind'] ? $change : [
                'before' => null === $change['before'] ? null : $change['before'] + $new,
                'after' => null === $change['after'] ? null : $change['after'] + $new,
            ] + $change, $all);
            $this->connection->update('journal_entry', ['changes' => json_encode($all, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES)], ['id' => $id]);
        }
    }
}
