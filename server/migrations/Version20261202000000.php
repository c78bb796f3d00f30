<?php

declare(strict_types=1);

namespace ZippyTray\Server\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261202000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'A list can lie under another one';
    }

    /** Schema opens one transaction around all migrations. */
    public function isTransactional(): bool
    {
        return false;
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE task_list ADD COLUMN parent_id VARCHAR(36)');
    }
}
