<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Server\Books\BookCheck;

#[AsCommand('data:check', 'Proves that nothing was lost, and says so in figures')]
final class CheckCommand extends Command
{
    /** @param iterable<BookCheck> $checks */
    public function __construct(
        #[AutowireIterator(BookCheck::class)]
        private readonly iterable $checks,
        private readonly Transaction $transaction,
    ) {
        parent::__construct();
    }

    /** @return iterable<BookCheck> */
    public function checks(): iterable
    {
        return $this->checks;
    }

    protected function configure(): void
    {
        $this->addOption('repair', null, InputOption::VALUE_NONE, 'Make anew what follows from other things, where it is wrong');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $left = 0;
        foreach ($this->checks as $check) {
            $found = $check->look();
            if ($found->wrong > 0 && true === $input->getOption('repair')) {
                $before = $found->wrong;
                $this->transaction->run($check->repair(...));
                $found = $check->look();
                $output->writeln(\sprintf('<comment>mended</comment>  %d of %d', $before - $found->wrong, $before));
            }
            $output->writeln(\sprintf(
                '%s %8s  %s',
                0 === $found->wrong ? '<info>holds</info> ' : '<error>WRONG</error> ',
                number_format($found->seen),
                $check->claim(),
            ));
            foreach ($found->examples as $example) {
                $output->writeln('                  '.$example);
            }
            if ($found->wrong > \count($found->examples)) {
                $output->writeln(\sprintf('                  and %s more', number_format($found->wrong - \count($found->examples))));
            }
            $left += $found->wrong;
        }
        $output->writeln(0 === $left ? 'The books balance.' : \sprintf('%s things are wrong.', number_format($left)));

        return 0 === $left ? self::SUCCESS : self::FAILURE;
    }
}
