<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261208000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What words are found in within a place is found without reading whole rows, too';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $kept = ['account_id', 'latest_at', 'place', 'away_until', 'binned_at', 'muted'];
        foreach (['place VARCHAR(255)', 'away_until VARCHAR(20)', 'binned_at VARCHAR(20)', 'muted BOOLEAN'] as $column) {
            $this->addSql('ALTER TABLE search_conversation ADD COLUMN '.$column);
        }
        $this->addSql('UPDATE search_conversation SET (place, away_until, binned_at, muted) = (SELECT place, away_until, binned_at, muted FROM conversation c WHERE c.id = search_conversation.id)');
        $columns = implode(', ', $kept);
        [$new, $excluded] = ['NEW.'.implode(', NEW.', $kept), implode(', ', array_map(static fn (string $column): string => "{$column} = excluded.{$column}", $kept))];
        $conversation = "INSERT INTO search_conversation (id, {$columns}) VALUES (NEW.id, {$new}) ON CONFLICT (id) DO UPDATE SET {$excluded};";
        foreach (['conversation_placed', 'conversation_later'] as $trigger) {
            $this->addSql('DROP TRIGGER '.$trigger);
        }
        $this->addSql("CREATE TRIGGER conversation_placed AFTER INSERT ON conversation BEGIN {$conversation} END");
        $this->addSql("CREATE TRIGGER conversation_later AFTER UPDATE OF {$columns} ON conversation BEGIN {$conversation} END");
    }
}
