<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Store\Backup;

#[AsCommand('data:backup', 'Writes everything into one file, also while the program runs')]
final class BackupCommand extends Command
{
    public function __construct(private readonly Backup $backup)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'Where to')
            ->addOption('replace', null, InputOption::VALUE_NONE, 'In the place of a file that is there');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        try {
            $size = $this->backup->write(\is_string($file) ? $file : '', true === $input->getOption('replace'));
        } catch (Refused $problem) {
            $output->writeln('<error>'.$problem->getMessage().'</error>');

            return self::FAILURE;
        }
        $output->writeln(\sprintf('It is written and whole: %s, %.1f MB.', \is_string($file) ? $file : '', $size / 1_000_000));

        return self::SUCCESS;
    }
}
