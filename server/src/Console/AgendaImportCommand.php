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
use ZippyTray\Server\Calendar\ReadCalendar;
use ZippyTray\Server\Calendar\TakeCalendar;

#[AsCommand('agenda:import', 'Takes in the events and tasks of a calendar file (iCalendar, RFC 5545)')]
final class AgendaImportCommand extends Command
{
    public function __construct(private readonly OneAccount $account, private readonly TakeCalendar $take)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument('file', InputArgument::REQUIRED, 'The file')
            ->addOption('account', null, InputOption::VALUE_REQUIRED, 'Address of the account. Not needed when there is just one')
            ->setHelp(
                'Prints one JSON object: the titles of what was taken and of what was known already, and sentences about what was '
                    .'left out.',
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $account = $this->account->of($input, $output);
        if (null === $account) {
            return self::INVALID;
        }
        $path = $input->getArgument('file');
        $bytes = \is_string($path) && is_file($path) && is_readable($path)
            ? file_get_contents($path, length: ReadCalendar::LARGEST + 1)
            : false;
        if (false === $bytes) {
            OneAccount::errors($output)->writeln(\sprintf('"%s" cannot be read.', \is_string($path) ? $path : ''));

            return self::FAILURE;
        }
        try {
            ['taken' => $taken, 'known' => $known, 'left' => $left] = ($this->take)($account, $bytes);
        } catch (Refused $problem) {
            OneAccount::errors($output)->writeln($problem->getMessage());

            return self::FAILURE;
        }
        $output->writeln(
            json_encode(
                ['taken' => $taken, 'known' => $known, 'left' => $left],
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
