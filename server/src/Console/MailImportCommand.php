<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Mailroom\ImportMail;
use ZippyTray\Server\Mailroom\ImportOutcome;

#[AsCommand('mail:import', 'Takes mail in from .eml files, mbox files and Maildir folders')]
final class MailImportCommand extends Command
{
    private const PROGRESS_EVERY = 500;

    public function __construct(private readonly ImportMail $import, private readonly Accounts $accounts)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument('path', InputArgument::IS_ARRAY | InputArgument::REQUIRED, 'Files and folders; folders are read with all that is in them')
            ->addOption('account', null, InputOption::VALUE_REQUIRED, 'Address of the account; it is made when there is none. Not needed when there is just one')
            ->addOption('into', null, InputOption::VALUE_REQUIRED, 'tray, or archive for old mail that needs no decision any more', 'tray')
            ->setHelp('Prints one JSON object: how many messages were read, how many of them are new, how many were known, and which were refused, with file, position in bytes and reason.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $into = match ($input->getOption('into')) {
            'tray' => Place::Tray,
            'archive' => Place::Archive,
            default => null,
        };
        if (null === $into) {
            $errors->writeln('--into takes tray or archive.');

            return self::INVALID;
        }
        $account = $this->account($input->getOption('account'), $errors);
        if (null === $account) {
            return self::INVALID;
        }
        /** @var list<string> $paths */
        $paths = $input->getArgument('path');
        $outcome = ($this->import)($account, array_combine($paths, $paths), $into, static function (ImportOutcome $outcome) use ($errors): void {
            if (0 === $outcome->read() % self::PROGRESS_EVERY) {
                $errors->writeln($outcome->read().' messages read');
            }
        });
        $output->writeln(json_encode($outcome, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    private function account(mixed $email, OutputInterface $errors): ?Account
    {
        if (\is_string($email) && '' !== $email) {
            if (false === filter_var($email, \FILTER_VALIDATE_EMAIL, \FILTER_FLAG_EMAIL_UNICODE)) {
                $errors->writeln(\sprintf('"%s" is not an email address.', $email));

                return null;
            }

            return $this->accounts->find($email) ?? $this->accounts->open($email, explode('@', $email)[0], date_default_timezone_get(), null);
        }
        $accounts = $this->accounts->all();
        if (1 === \count($accounts)) {
            return $accounts[0];
        }
        $errors->writeln([] === $accounts
            ? 'There is no account yet: name the one to make with --account=ADDRESS.'
            : 'There are several accounts: name one with --account=ADDRESS.');

        return null;
    }
}
