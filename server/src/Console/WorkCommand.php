<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Command\SignalableCommandInterface;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Lock\LockFactory;
use Symfony\Component\Lock\SharedLockInterface;
use ZippyTray\Server\Mailroom\Deliver;
use ZippyTray\Server\Mailroom\Fetch;
use ZippyTray\Server\Mailroom\InStep\KeepInStep;
use ZippyTray\Server\PrivateLocks;
use ZippyTray\Server\Store\WorkerSeen;
use ZippyTray\Server\Work\CarryOutOrders;
use ZippyTray\Server\Work\FollowCalendarMail;
use ZippyTray\Server\Work\KeepLearning;
use ZippyTray\Server\Work\ObeyMailIn;
use ZippyTray\Server\Work\ReadSubscriptions;
use ZippyTray\Server\Work\ReadWanted;
use ZippyTray\Server\Work\WeighTray;
use ZippyTray\Server\Work\Worker;

/**
 * One of them works at a time; others wait until it has ended. The lock ends with the process, however that ends.
 */
#[AsCommand('data:work', 'Does what has to be done whether or not a page is open, until it is ended')]
final class WorkCommand extends Command implements SignalableCommandInterface
{
    /** Seconds between two rounds; and the most after rounds that failed. */
    private const PAUSE = 1;

    private const LONGEST_PAUSE = 60;

    private bool $isEnding = false;

    private int $seen = 0;

    public function __construct(
        private readonly Worker $worker,
        private readonly Deliver $deliver,
        private readonly Fetch $fetch,
        private readonly KeepInStep $inStep,
        private readonly ReadWanted $read,
        private readonly ObeyMailIn $mailIn,
        private readonly FollowCalendarMail $calendarMail,
        private readonly CarryOutOrders $orders,
        private readonly KeepLearning $learning,
        private readonly ReadSubscriptions $subscriptions,
        private readonly WeighTray $weighing,
        private readonly WorkerSeen $workerSeen,
        private readonly EntityManagerInterface $orm,
        private readonly LoggerInterface $logger,
    ) {
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
        $isOnce = true === $input->getOption('once');
        $lock = (new LockFactory(new PrivateLocks()))->createLock('worker');
        if (!$lock->acquire()) {
            $say->writeln('Another worker is at it already.');
            if ($isOnce || !$this->waitFor($lock)) {
                return self::SUCCESS;
            }
        }
        $pause = self::PAUSE;
        do {
            $pause = $this->round($say) ? self::PAUSE : min(self::LONGEST_PAUSE, 2 * $pause);
            for ($second = 0; $second < $pause && !$this->isEnding && !$isOnce; ++$second) {
                sleep(1);
            }
        } while (!$this->isEnding && !$isOnce);

        return self::SUCCESS;
    }

    /** @return bool false when it was asked to end before that */
    private function waitFor(SharedLockInterface $lock): bool
    {
        while (!$this->isEnding) {
            sleep(self::PAUSE);
            if ($lock->acquire()) {
                return true;
            }
        }

        return false;
    }

    /** @return bool whether all of it could be done; what could not is in the log, and is tried again in the next round */
    private function round(OutputInterface $say): bool
    {
        $isEnding = fn (): bool => $this->isEnding;
        $steps = [
            'sign of life' => $this->beSeen(...),
            'sending' => fn () => ($this->deliver)($isEnding),
            'fetching' => fn () => ($this->fetch)($isEnding),
            'mailboxes' => fn () => ($this->inStep)($isEnding),
            'reading' => fn () => ($this->read)($isEnding),
            'mail-in addresses' => fn () => ($this->mailIn)($isEnding),
            'calendar mail' => fn () => ($this->calendarMail)($isEnding),
            'standing orders' => fn () => ($this->orders)($isEnding),
            'learning' => fn () => ($this->learning)($isEnding),
            'calendars of others' => fn () => ($this->subscriptions)($isEnding),
            'weighing' => fn () => ($this->weighing)(),
            'chores' => function () use ($isEnding, $say): void {
                foreach ($this->worker->round($isEnding) as $name => $worked) {
                    $say->writeln($worked ? 'Done: '.$name : 'Failed, see the log: '.$name);
                }
            },
        ];
        $isWell = true;
        foreach ($steps as $name => $step) {
            try {
                $step();
            } catch (\Throwable $problem) {
                $isWell = false;
                $this->logger->error('A round of the worker failed.', ['step' => $name, 'exception' => $problem]);
                $say->writeln(\sprintf('Failed, see the log: %s', $name));
                $this->orm->clear();
            }
        }

        return $isWell;
    }

    private function beSeen(): void
    {
        if (time() - $this->seen >= WorkerSeen::EVERY) {
            $this->workerSeen->note();
            $this->seen = time();
        }
    }
}
