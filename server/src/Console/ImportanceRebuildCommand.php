<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\Tray\Importance\Learn;
use ZippyTray\Core\Tray\Importance\Lessons;
use ZippyTray\Core\Tray\Importance\NotReadYet;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Work\ReadWanted;

#[AsCommand('importance:rebuild', 'Learns once more from the whole journal what matters to somebody')]
final class ImportanceRebuildCommand extends Command
{
    public function __construct(
        private readonly Accounts $accounts,
        private readonly Learn $learn,
        private readonly Lessons $lessons,
        private readonly ReadWanted $read,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addOption('account', null, InputOption::VALUE_REQUIRED, 'The address of whom; everybody when it is left out')
            ->setHelp('Prints one JSON object for each account: how many entries of the journal, and how many conversations '
                .'decided by them, it has learned from. Of mail that is gone for good what was learned when it was there still counts.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $address = $input->getOption('account');
        $accounts = \is_string($address) ? array_filter([$this->accounts->find($address)]) : $this->accounts->all();
        if ([] === $accounts) {
            $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
            $errors->writeln(\is_string($address) ? \sprintf('There is no account of "%s".', $address) : 'There is no account.');

            return self::FAILURE;
        }
        foreach (array_map(static fn (Account $account): array => [$account->id, $account->email], $accounts) as [$id, $email]) {
            do {
                try {
                    $entries = $this->learn->anew($id);
                } catch (NotReadYet) {
                    $entries = null;
                    do {
                        $read = ($this->read)(static fn (): bool => false);
                    } while ($read > 0);
                }
            } while (null === $entries);
            $output->writeln(json_encode(
                ['account' => $email, 'entries' => $entries, 'conversations' => $this->lessons->count($id)],
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
            ), OutputInterface::OUTPUT_RAW);
        }

        return self::SUCCESS;
    }
}
