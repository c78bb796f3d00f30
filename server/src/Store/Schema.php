<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use Doctrine\Migrations\DependencyFactory;
use Doctrine\Migrations\MigratorConfiguration;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Brings the database up to what this version of the program expects.
 */
final readonly class Schema
{
    public function __construct(
        #[Autowire(service: 'doctrine.migrations.dependency_factory')]
        private DependencyFactory $migrations,
        private Connection $connection,
    ) {
    }

    /** All pending migrations are carried out, or none. */
    public function bringUpToDate(): void
    {
        $this->connection->transactional(function (): void {
            $this->migrations->getMetadataStorage()->ensureInitialized();
            $latest = $this->migrations->getVersionAliasResolver()->resolveVersionAlias('latest');
            $plan = $this->migrations->getMigrationPlanCalculator()->getPlanUntilVersion($latest);
            if (0 !== \count($plan)) {
                $this->migrations->getMigrator()->migrate($plan, new MigratorConfiguration());
            }
        });
        SqliteDriver::noteMade();
    }
}
