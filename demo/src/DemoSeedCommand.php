<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Mailroom\PostRoom\PostRoom;
use ZippyTray\Server\Mailroom\PostRoom\Trouble;

#[AsCommand('demo:seed', 'Fills an empty database with the demo and prints how to sign in')]
final class DemoSeedCommand extends Command
{
    public function __construct(
        private readonly SeedDemo $seed,
        private readonly Scenario $scenario,
        private readonly Accounts $accounts,
        private readonly ProgramClock $clock,
        private readonly PostRoom $postRoom,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption(
            'at',
            null,
            InputOption::VALUE_REQUIRED,
            'Begin at the next moment at which the clock shows this, e.g. 10:00, instead of now',
        );
        $this->addOption('still', null, InputOption::VALUE_NONE, 'No mail comes by itself, only answers');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        ['email' => $email, 'password' => $password] = $this->scenario->account();
        if (null === $this->accounts->find($email)) {
            $this->clock->reset();
            $at = $input->getOption('at');
            if (\is_string($at)) {
                $this->clock->moveForward($this->secondsUntil(TimeOfDay::parse($at)));
            }
            $this->postRoom->behave(new Trouble(quiet: true === $input->getOption('still')));
            ($this->seed)();
        }
        $output->writeln(\sprintf('Sign in as %s with the password %s', $email, $password));

        return self::SUCCESS;
    }

    private function secondsUntil(TimeOfDay $time): int
    {
        $now = $this->clock->now();
        $zone = Moment::zone($this->scenario->account()['zone']);
        $today = LocalDate::of($now, $zone);
        $then = $today->at($time, $zone);

        return ($then < $now ? $today->plusDays(1)->at($time, $zone) : $then)->getTimestamp() - $now->getTimestamp();
    }
}
