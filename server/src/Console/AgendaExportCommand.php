<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Server\Calendar\AgendaFile;

#[AsCommand('agenda:export', 'Writes all events and tasks into a calendar file (iCalendar, RFC 5545)')]
final class AgendaExportCommand extends Command
{
    public function __construct(private readonly OneAccount $account, private readonly AgendaFile $file)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument('file', InputArgument::REQUIRED, 'Where it is written; "-": to the output')
            ->addOption('account', null, InputOption::VALUE_REQUIRED, 'Address of the account. Not needed when there is just one');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $account = $this->account->of($input, $output);
        $path = $input->getArgument('file');
        if (null === $account || !\is_string($path)) {
            return self::INVALID;
        }
        $text = $this->file->all($account);
        if ('-' === $path) {
            $output->write($text, false, OutputInterface::OUTPUT_RAW);
        } elseif (false === @file_put_contents($path, $text)) {
            OneAccount::errors($output)->writeln(\sprintf('"%s" cannot be written.', $path));

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
