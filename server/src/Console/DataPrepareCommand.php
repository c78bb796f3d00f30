<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Tray\EmptyBin;
use ZippyTray\Server\Account\Accounts;

#[AsCommand('data:prepare', 'Brings the database up to date and removes deleted mail whose 30 days are over')]
final class DataPrepareCommand extends Command
{
    public function __construct(private readonly Accounts $accounts, private readonly EmptyBin $emptyBin, private readonly Ids $ids)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        foreach ($this->accounts->all() as $account) {
            $this->emptyBin->expired($account->id, $this->ids->next());
        }

        return self::SUCCESS;
    }
}
