<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Label\LabelName;

final class Version20261212000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Labels are on conversations and tasks alike';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $account = 'account_id VARCHAR(36) NOT NULL REFERENCES account (id) DEFERRABLE INITIALLY DEFERRED';
        $this->addSql("CREATE TABLE label (
            id VARCHAR(36) NOT NULL PRIMARY KEY, {$account}, name CLOB NOT NULL, colour VARCHAR(20) NOT NULL,
            until_dealt BOOLEAN NOT NULL, into_id VARCHAR(36), deleted BOOLEAN NOT NULL
        )");
        $this->addSql('CREATE INDEX label_account ON label (account_id)');
        $this->addSql("CREATE TABLE conversation_label (
            id VARCHAR(36) NOT NULL PRIMARY KEY, {$account},
            conversation_id VARCHAR(36) NOT NULL REFERENCES conversation (id) ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED,
            label_id VARCHAR(36) NOT NULL, since VARCHAR(20) NOT NULL
        )");
        $this->addSql('CREATE INDEX conversation_label_of ON conversation_label (conversation_id, label_id, since)');
        $this->addSql('CREATE INDEX conversation_label_label ON conversation_label (account_id, label_id, conversation_id, since)');
        $this->nameThem();
    }

    /** What tasks call their labels becomes labels, each in a colour of its own. */
    private function nameThem(): void
    {
        $colours = ['sea', 'moss', 'brass', 'rust', 'plum', 'sky', 'slate'];
        $names = [];
        foreach ($this->connection->iterateAssociative(
            "SELECT id, account_id, labels FROM task WHERE labels <> '[]' ORDER BY created_at, id",
        ) as ['id' => $task, 'account_id' => $account, 'labels' => $json]) {
            if (!\is_string($task) || !\is_string($account) || !\is_string($json)) {
                continue;
            }
            $ids = [];
            foreach ((array) json_decode($json, true) as $name) {
                if (\is_string($name) && '' !== trim($name)) {
                    $id = LabelId::of(new AccountId($account), $name)->text;
                    $names[$account][$id] ??= mb_substr(trim($name), 0, LabelName::LENGTH);
                    $ids[] = $id;
                }
            }
            $this->addSql('UPDATE task SET labels = ? WHERE id = ?', [json_encode(array_values(array_unique($ids))), $task]);
        }
        foreach ($names as $account => $ofAccount) {
            $number = 0;
            foreach ($ofAccount as $id => $name) {
                $this->addSql(
                    'INSERT INTO label (id, account_id, name, colour, until_dealt, into_id, deleted) VALUES (?, ?, ?, ?, 0, NULL, 0)',
                    [$id, $account, $name, $colours[$number++ % \count($colours)]],
                );
            }
        }
    }
}
