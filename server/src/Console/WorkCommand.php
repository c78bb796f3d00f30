<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Command\SignalableCommandInterface;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Lock\LockFactory;
use Symfony\Component\Lock\Store\FlockStore;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Mailroom\Deliver;
use ZippyTray\Server\Mailroom\Fetch;
use ZippyTray\Server\Work\ReadWanted;
use ZippyTray\Server\Work\Worker;

/**
 * One of them works at a time. The lock ends with the process, however that ends.
 */
#[AsCommand('data:work', 'Does what has to be done whether or not a page is open, until it is ended')]
final class WorkCommand extends Command implements SignalableCommandInterface
{
    /** Seconds between two rounds. */
    private const PAUSE = 1;

    private bool $isEnding = false;

    public function __construct(private readonly Worker $worker, private readonly Deliver $deliver, private readonly Fetch $fetch, private readonly ReadWanted $read)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('once', null, InputOption::VALUE_NONE, 'Do what is due now, and end');
    }

    /** @return list<int> */
    public function getSubscribedSignals(): array
    {
        return [\SIGTERM, \SIGINT, \SIGHUP];
    }

    /** What has been begun is finished. */
    public function handleSignal(int $signal, int|false $previousExitCode = 0): int|false
    {
        $this->isEnding = true;

        return false;
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $say = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $lock = (new LockFactory(new FlockStore(DataFolder::path())))->createLock('worker');
        if (!$lock->acquire()) {
            $say->writeln('Another worker is at it already.');

            return self::SUCCESS;
        }
        do {
            $isEnding = fn (): bool => $this->isEnding;
            ($this->deliver)($isEnding);
            ($this->fetch)($isEnding);
            ($this->read)($isEnding);
            foreach ($this->worker->round($isEnding) as $name => $worked) {
                $say->writeln($worked ? 'Done: '.$name : 'Failed, see the log: '.$name);
            }
            for ($second = 0; $second < self::PAUSE && !$this->isEnding && !$input->getOption('once'); ++$second) {
                sleep(1);
            }
        } while (!$this->isEnding && !$input->getOption('once'));

        return self::SUCCESS;
    }
}
