<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use ZippyTray\Core\Mail\Text\InnerWords;

final class Version20261226000000 extends AbstractMigration
{
    /** Each kind of thing that is found besides mail: its table, when something of it changes, its title, text and moment. */
    private const THINGS = [
        'task' => ['task', 'title, notes', 'NEW.title', 'NEW.notes', 'NEW.created_at'],
        'reference' => ['reference', 'title, text, url', 'NEW.title', "NEW.text || ' ' || NEW.url", 'NEW.added_at'],
        'note' => ['task_list', 'name, note', 'NEW.name', 'NEW.note', "''"],
        'event' => [
            'event', 'title, state', 'NEW.title',
            "CASE WHEN json_valid(NEW.state) THEN COALESCE(NEW.state ->> '$.place', '') || ' ' || COALESCE(NEW.state ->> '$.notes', '')
                ELSE '' END", 'NEW.day',
        ],
        'entry' => ['journal_entry', 'about, consequence', 'NEW.about', 'NEW.consequence', 'NEW.done_at'],
    ];

    public function getDescription(): string
    {
        return 'What is attached, and words without blanks, are found; and what is no mail';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->mail();
        $this->things();
        $this->addSql('CREATE TABLE kept_search (
            id VARCHAR(36) NOT NULL PRIMARY KEY, account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED,
            name CLOB NOT NULL, words CLOB NOT NULL, sort VARCHAR(10) NOT NULL, shown_in VARCHAR(10) NOT NULL, rank CLOB NOT NULL
        )');
        $this->addSql('CREATE INDEX kept_search_account ON kept_search (account_id, rank)');
    }

    private function mail(): void
    {
        foreach (['files', 'attached', 'inside'] as $column) {
            $this->do("ALTER TABLE conversation_message ADD COLUMN {$column} CLOB NOT NULL DEFAULT ''");
        }
        $this->do("UPDATE conversation_message SET files = COALESCE((SELECT GROUP_CONCAT(j.value ->> '$.name', ' ')
            FROM message m, json_each(m.attachments) j WHERE m.id = message_id), '')
            WHERE message_id IN (SELECT id FROM message WHERE attachments <> '[]')");
        $texts = 'SELECT x.number, m.subject, x.people, x.files, m.text FROM conversation_message x JOIN message m ON m.id = x.message_id
            WHERE x.number > ? AND m.subject || x.people || x.files || m.text GLOB ? ORDER BY x.number LIMIT 200';
        $last = 0;
        while ([] !== $rows = $this->connection->fetchAllNumeric($texts, [$last, "*[\u{1100}-\u{11ff}\u{2e80}-\u{9fff}\u{ac00}-\u{d7af}\u{ff66}-\u{ff9f}]*"])) {
            foreach ($rows as [$number, $subject, $people, $files, $text]) {
                $inside = InnerWords::of(...array_filter([$subject, $people, $files, $text], \is_string(...)));
                $this->connection->executeStatement('UPDATE conversation_message SET inside = ? WHERE number = ?', [$inside, $number]);
                $last = $number;
            }
        }
        $this->do('CREATE INDEX message_size ON message (account_id, size)');
        $this->do('DROP TRIGGER message_indexed');
        $this->do('DROP TRIGGER message_unindexed');
        $this->do('DROP TABLE message_search');
        $this->do('DROP VIEW message_words');
        $this->do('CREATE VIEW message_words AS SELECT x.number, x.message_id, x.conversation_id, m.subject, x.people, m.text, x.files,
            x.attached, x.inside FROM conversation_message x JOIN message m ON m.id = x.message_id');
        $columns = 'subject, people, text, files, attached, inside';
        $this->do("CREATE VIRTUAL TABLE message_search USING fts5({$columns}, content = 'message_words', content_rowid = 'number',
            tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3')");
        $this->do("INSERT INTO message_search (message_search) VALUES ('rebuild')");
        // A message is put after its place in a conversation, and taken out after it.
        $this->do("CREATE TRIGGER message_indexed AFTER INSERT ON message BEGIN
            INSERT INTO message_search (rowid, {$columns}) SELECT number, {$columns} FROM message_words WHERE message_id = NEW.id; END");
        $this->do('CREATE TRIGGER message_unindexed BEFORE DELETE ON conversation_message BEGIN
            DELETE FROM message_search WHERE rowid = OLD.number; END');
    }

    private function things(): void
    {
        $this->do('CREATE TABLE search_thing (number INTEGER NOT NULL PRIMARY KEY, account_id VARCHAR(36) NOT NULL, kind VARCHAR(10) NOT NULL,
            id VARCHAR(36) NOT NULL, at VARCHAR(20) NOT NULL, UNIQUE (kind, id))');
        $this->do('CREATE INDEX search_thing_at ON search_thing (account_id, kind, at)');
        $this->do("CREATE VIRTUAL TABLE thing_search USING fts5(title, text, tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3')");
        foreach (self::THINGS as $kind => [$table, $changed, $title, $text, $at]) {
            $number = "(SELECT number FROM search_thing WHERE kind = '{$kind}' AND id = OLD.id)";
            $this->do("CREATE TRIGGER {$table}_findable AFTER INSERT ON {$table} BEGIN
                INSERT INTO search_thing (account_id, kind, id, at) VALUES (NEW.account_id, '{$kind}', NEW.id, {$at});
                INSERT INTO thing_search (rowid, title, text) VALUES (last_insert_rowid(), {$title}, {$text}); END");
            $this->do("CREATE TRIGGER {$table}_found_anew AFTER UPDATE OF {$changed} ON {$table} BEGIN
                UPDATE thing_search SET title = {$title}, text = {$text} WHERE rowid = {$number}; END");
            $this->do("CREATE TRIGGER {$table}_unfindable AFTER DELETE ON {$table} BEGIN
                DELETE FROM thing_search WHERE rowid = {$number};
                DELETE FROM search_thing WHERE kind = '{$kind}' AND id = OLD.id; END");
            [$title, $text, $at] = str_replace('NEW.', 't.', [$title, $text, $at]);
            $this->do("INSERT INTO search_thing (account_id, kind, id, at) SELECT t.account_id, '{$kind}', t.id, {$at} FROM {$table} t");
            $this->do("INSERT INTO thing_search (rowid, title, text) SELECT s.number, {$title}, {$text}
                FROM search_thing s JOIN {$table} t ON t.id = s.id WHERE s.kind = '{$kind}'");
        }
    }

    private function do(string $statement): void
    {
        $this->connection->executeStatement($statement);
    }
}
