<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Clock\ProgramClock;

#[AsCommand('demo:seed', 'Fills an empty database with the demo and prints how to sign in')]
final class DemoSeedCommand extends Command
{
    public function __construct(
        private readonly SeedDemo $seed,
        private readonly Scenario $scenario,
        private readonly Accounts $accounts,
        private readonly ProgramClock $clock,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        ['email' => $email, 'password' => $password] = $this->scenario->account();
        if (null === $this->accounts->find($email)) {
            $this->clock->reset();
            ($this->seed)();
        }
        $output->writeln(\sprintf('Sign in as %s with the password %s', $email, $password));

        return self::SUCCESS;
    }
}
