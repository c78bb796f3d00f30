<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What archives the rest of the tray has its own name';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        // Its name until now, in bytes.
        $this->addSql("UPDATE journal_entry SET kind = 'archive_rest' WHERE kind = CAST(x'7377656570' AS TEXT)");
    }
}
