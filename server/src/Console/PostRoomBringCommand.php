<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Server\Mailroom\PostRoom\PostRoom;

#[AsCommand('post-room:bring', 'Hands a message in at the post room, as if somebody had sent it')]
final class PostRoomBringCommand extends Command
{
    public function __construct(
        private readonly OneAccount $account,
        private readonly PostRoom $room,
        private readonly ClockInterface $clock,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument('file', InputArgument::REQUIRED, 'The message (RFC 5322); "-" reads the standard input')
            ->addOption('account', null, InputOption::VALUE_REQUIRED, 'Address of the account. Not needed when there is just one')
            ->setHelp('It comes with the next round of the worker, to somebody whose mail comes by the post room.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $account = $this->account->of($input, $output);
        if (null === $account) {
            return self::INVALID;
        }
        $file = $input->getArgument('file');
        $file = '-' === $file ? 'php://stdin' : $file;
        $raw = \is_string($file) && ('php://stdin' === $file || (is_file($file) && is_readable($file))) ? file_get_contents($file) : false;
        if (false === $raw) {
            OneAccount::errors($output)->writeln(\sprintf('"%s" cannot be read.', \is_string($file) ? $file : ''));

            return self::FAILURE;
        }
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $this->room->bring($raw, $now, hash('sha256', $raw.$now->format('U')).'.post', $account->email);

        return self::SUCCESS;
    }
}
