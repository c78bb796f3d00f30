<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Lock\LockFactory;
use ZippyTray\Core\Refused;
use ZippyTray\Server\PrivateLocks;
use ZippyTray\Server\Store\Backup;
use ZippyTray\Server\Store\Schema;

#[AsCommand('data:restore', 'Puts a backup in the place of the database, which is kept beside it')]
final class RestoreCommand extends Command
{
    public function __construct(private readonly Backup $backup, private readonly Schema $schema)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'The backup');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        // Whoever serves has a worker beside it.
        $lock = (new LockFactory(new PrivateLocks()))->createLock('worker');
        if (!$lock->acquire()) {
            $output->writeln('<error>The program runs. End it first, so that nobody writes while the database is changed.</error>');

            return self::FAILURE;
        }
        try {
            $aside = $this->backup->restore(\is_string($file) ? $file : '');
        } catch (Refused $problem) {
            $output->writeln(['<error>'.$problem->getMessage().'</error>', 'Nothing was changed.']);

            return self::FAILURE;
        }
        $this->schema->bringUpToDate();
        $output->writeln('It is restored.'.(null === $aside ? '' : ' What was there before lies in '.$aside.'.'));

        return self::SUCCESS;
    }
}
