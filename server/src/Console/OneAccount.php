<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;

/**
 * Whose account a command is about: the one of --account, or the only one that there is.
 */
final readonly class OneAccount
{
    public function __construct(private Accounts $accounts)
    {
    }

    /** @return Account|null null when there is none, which has been said */
    public function of(InputInterface $input, OutputInterface $output): ?Account
    {
        $address = $input->getOption('account');
        $all = $this->accounts->all();
        $account = \is_string($address) ? $this->accounts->find($address) : (1 === \count($all) ? $all[0] : null);
        if (null === $account) {
            self::errors($output)->writeln(match (true) {
                \is_string($address) => \sprintf('There is no account of "%s".', $address),
                [] === $all => 'There is no account.',
                default => 'There are several accounts. Say whose with --account=ADDRESS.',
            });
        }

        return $account;
    }

    public static function errors(OutputInterface $output): OutputInterface
    {
        return $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
    }
}
