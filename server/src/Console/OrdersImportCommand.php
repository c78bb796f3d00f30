<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\Order\ImportOrders;
use ZippyTray\Core\Order\Sieve\Parser;
use ZippyTray\Core\Order\Sieve\SieveError;
use ZippyTray\Server\Read\Tray\StampHands;

#[AsCommand('orders:import', 'Makes standing orders of a Sieve script (RFC 5228)')]
final class OrdersImportCommand extends Command
{
    public function __construct(
        private readonly OneAccount $account,
        private readonly ImportOrders $import,
        private readonly StampHands $hands,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument('file', InputArgument::REQUIRED, 'The script')
            ->addOption('account', null, InputOption::VALUE_REQUIRED, 'Address of the account. Not needed when there is just one')
            ->setHelp(
                'They come last and are at rest: they are put in force in Settings. Prints one JSON object: what was taken, each with its '
                    .'line, name, mail and steps, and what was left, with its line and why.',
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $account = $this->account->of($input, $output);
        if (null === $account) {
            return self::INVALID;
        }
        $file = $input->getArgument('file');
        $script = \is_string($file) && is_file($file) && is_readable($file)
            ? file_get_contents($file, length: Parser::LONGEST + 1)
            : false;
        if (false === $script) {
            OneAccount::errors($output)->writeln(\sprintf('"%s" cannot be read.', \is_string($file) ? $file : ''));

            return self::FAILURE;
        }
        try {
            $outcome = ($this->import)($account->id, $script, $this->hands->of($account));
        } catch (SieveError $problem) {
            OneAccount::errors($output)->writeln($problem->getMessage());

            return self::FAILURE;
        }
        $output->writeln(
            json_encode($outcome, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
