<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Doctrine\DBAL\Connection;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Server\DataFolder;

/**
 * BringSchemaUpToDate has done it by then; this looks whether the database is whole.
 */
#[AsCommand('data:prepare', 'Brings the database up to date')]
final class DataPrepareCommand extends Command
{
    /** Bytes; what is larger takes too long to be looked through at each start. */
    private const LOOKED_THROUGH = 500_000_000;

    public function __construct(private readonly Connection $connection)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = DataFolder::path().'/zippy-tray.sqlite';
        // Not quick_check: of tables without a rowid, SQLite 3.40 takes key columns for NULL in it.
        if (is_file($file)
            && filesize($file) < self::LOOKED_THROUGH
            && 'ok' !== $said = $this->connection->fetchOne('PRAGMA integrity_check(1)')) {
            throw new \PDOException('database disk image is malformed: '.(\is_string($said) ? $said : ''));
        }

        return self::SUCCESS;
    }
}
