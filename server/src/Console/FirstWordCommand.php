<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Account\FirstWord;

#[AsCommand('account:first-word', 'Prints the word that the first visit asks for, as long as there is no account')]
final class FirstWordCommand extends Command
{
    public function __construct(private readonly Accounts $accounts)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if ($this->accounts->isFirstVisit()) {
            $output->writeln('The first visit asks for this word: '.FirstWord::show());
        }

        return self::SUCCESS;
    }
}
