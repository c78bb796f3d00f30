<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261201000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'People are kept as mail comes in, and each account knows its newest message';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        // Who has written, and to whom the person has.
        $this->addSql("CREATE TABLE person ({$account}, email CLOB NOT NULL, name CLOB NOT NULL, named_at VARCHAR(20) NOT NULL, received INTEGER NOT NULL, sent INTEGER NOT NULL, last_at VARCHAR(20) NOT NULL, PRIMARY KEY (account_id, email)) WITHOUT ROWID");
        $this->addSql('CREATE INDEX person_order ON person (account_id, sent DESC, last_at DESC, email)');
        // The words of their names and addresses, in lower case.
        $this->addSql("CREATE TABLE person_word ({$account}, word CLOB NOT NULL, email CLOB NOT NULL, PRIMARY KEY (account_id, word, email)) WITHOUT ROWID");
        $this->addSql('CREATE INDEX person_word_email ON person_word (account_id, email)');
        // Their messages; what they are to the person is one's own when the person wrote it.
        $this->addSql("CREATE TABLE person_message ({$account}, email CLOB NOT NULL, message_id VARCHAR(36) NOT NULL REFERENCES message (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, own BOOLEAN NOT NULL, sent_at VARCHAR(20) NOT NULL, PRIMARY KEY (account_id, email, message_id)) WITHOUT ROWID");
        $this->addSql('CREATE INDEX person_message_message ON person_message (message_id)');
        // The number of the newest message of each account.
        $this->addSql('CREATE TABLE mail_mark (account_id VARCHAR(36) NOT NULL PRIMARY KEY REFERENCES account (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, number INTEGER NOT NULL) WITHOUT ROWID');
        $met = "SELECT account_id, LOWER(sender ->> 'email') AS email, sender ->> 'name' AS name, id, 0 AS own, sent_at FROM message WHERE NOT own
            UNION ALL SELECT m.account_id, LOWER(j.value ->> 'email'), j.value ->> 'name', m.id, 1, m.sent_at FROM message m, json_each(m.recipients) j WHERE m.own";
        $this->addSql("INSERT OR IGNORE INTO person_message SELECT account_id, email, id, own, sent_at FROM ({$met}) WHERE email LIKE '%_@_%'");
        $this->addSql("INSERT INTO person SELECT account_id, email, '', '', SUM(NOT own), SUM(own), MAX(sent_at) FROM person_message GROUP BY account_id, email");
        $this->addSql("UPDATE person SET name = n.name, named_at = n.sent_at FROM (
            SELECT account_id, email, name, sent_at, ROW_NUMBER() OVER (PARTITION BY account_id, email ORDER BY sent_at DESC, id) AS place FROM ({$met}) WHERE name <> '' AND name NOT LIKE '%@%'
        ) n WHERE n.account_id = person.account_id AND n.email = person.email AND n.place = 1");
        $this->addSql('INSERT INTO mail_mark SELECT c.account_id, MAX(x.number) FROM conversation_message x JOIN conversation c ON c.id = x.conversation_id GROUP BY c.account_id');
    }

    public function postUp(Schema $schema): void
    {
        /** @var iterable<array{account_id: string, email: string, name: string}> $people */
        $people = $this->connection->fetchAllAssociative('SELECT account_id, email, name FROM person');
        foreach ($people as $person) {
            $words = preg_split('/[\s.@_+\-,"\'()]+/u', mb_strtolower(mb_scrub($person['name'].' '.$person['email'])), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
            foreach (\array_slice(array_unique($words), 0, 24) as $word) {
                $this->connection->executeStatement('INSERT OR IGNORE INTO person_word (account_id, word, email) VALUES (?, ?, ?)', [$person['account_id'], mb_substr($word, 0, 60), $person['email']]);
            }
        }
    }
}
