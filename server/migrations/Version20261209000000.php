<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261209000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'How many conversations there are in each place is kept, not counted';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql("CREATE TABLE conversation_count (account_id VARCHAR(36) NOT NULL REFERENCES account (id) ON DELETE CASCADE, place VARCHAR(255) NOT NULL, reason VARCHAR(255) NOT NULL DEFAULT '', conversations INTEGER NOT NULL, PRIMARY KEY (account_id, place, reason)) WITHOUT ROWID");
        $this->addSql("INSERT INTO conversation_count SELECT account_id, place, COALESCE(away_reason, ''), COUNT(*) FROM conversation GROUP BY 1, 2, 3");
        $more = "INSERT INTO conversation_count VALUES (NEW.account_id, NEW.place, COALESCE(NEW.away_reason, ''), 1) ON CONFLICT (account_id, place, reason) DO UPDATE SET conversations = conversations + 1;";
        $less = "UPDATE conversation_count SET conversations = conversations - 1 WHERE account_id = OLD.account_id AND place = OLD.place AND reason = COALESCE(OLD.away_reason, '');";
        $this->addSql("CREATE TRIGGER conversation_counted AFTER INSERT ON conversation BEGIN {$more} END");
        $this->addSql("CREATE TRIGGER conversation_recounted AFTER UPDATE OF account_id, place, away_reason ON conversation WHEN (OLD.account_id, OLD.place, OLD.away_reason) IS NOT (NEW.account_id, NEW.place, NEW.away_reason) BEGIN {$less} {$more} END");
        $this->addSql("CREATE TRIGGER conversation_uncounted AFTER DELETE ON conversation BEGIN {$less} END");
    }
}
