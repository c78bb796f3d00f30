<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Helper\ProgressBar;
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
use ZippyTray\Server\Mailroom\MailFiles;

#[AsCommand('mail:import', 'Takes mail in from .eml files, mbox files and Maildir folders')]
final class MailImportCommand extends Command
{
    /** Seconds between two lines where nobody looks at a terminal. */
    private const LINE_EVERY = 10;

    public function __construct(private readonly ImportMail $import, private readonly MailFiles $files, private readonly Accounts $accounts)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument(
                'path',
                InputArgument::IS_ARRAY | InputArgument::REQUIRED,
                'Files and folders; folders are read with all that is in them',
            )
            ->addOption(
                'account',
                null,
                InputOption::VALUE_REQUIRED,
                'Address of the account; it is made when there is none. Not needed when there is just one',
            )
            ->addOption('into', null, InputOption::VALUE_REQUIRED, 'tray, or archive for old mail that needs no decision any more', 'tray')
            ->setHelp(
                'Prints one JSON object: how many messages were read, how many of them are new, how many were known, and which were '
                    .'refused, with file, position in bytes and reason.',
            );
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
        $bar = $this->bar($errors, array_sum(array_map($this->files->size(...), $paths)));
        $began = microtime(true);
        $outcome = ($this->import)($account, array_combine($paths, $paths), $into, static function (ImportOutcome $outcome) use (
            $bar,
            $began,
        ): void {
            $seconds = max(0.001, microtime(true) - $began);
            $left = $seconds * ($bar->getMaxSteps() - $outcome->bytes) / max(1, $outcome->bytes);
            $bar->setMessage(\sprintf(
                '%s messages, %s each second, %s left',
                number_format($outcome->read()),
                number_format($outcome->read() / $seconds),
                $left < 90 ? round(max(0, $left)).' s' : round($left / 60).' min',
            ));
            $bar->setProgress(min($outcome->bytes, $bar->getMaxSteps()));
        });
        $bar->finish();
        $errors->writeln('');
        $output->writeln(
            json_encode($outcome, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }

    /** How far it has come, by bytes. Stopped and begun anew it goes through what is known already, which is quick. */
    private function bar(OutputInterface $output, int $bytes): ProgressBar
    {
        $bar = new ProgressBar($output, max(1, $bytes));
        $bar->setFormat($output->isDecorated() ? ' %percent:3s%% [%bar%] %message%' : '%percent:3s%% %message%');
        $bar->setMessage('0 messages');
        $bar->setRedrawFrequency(1);
        $bar->minSecondsBetweenRedraws($output->isDecorated() ? 0.2 : self::LINE_EVERY);
        $bar->maxSecondsBetweenRedraws($output->isDecorated() ? 1 : self::LINE_EVERY);
        $bar->start();

        return $bar;
    }

    private function account(mixed $email, OutputInterface $errors): ?Account
    {
        if (\is_string($email) && '' !== $email) {
            if (false === filter_var($email, \FILTER_VALIDATE_EMAIL, \FILTER_FLAG_EMAIL_UNICODE)) {
                $errors->writeln(\sprintf('"%s" is not an email address.', $email));

                return null;
            }

            return $this->accounts->find($email)
                ?? $this->accounts->open($email, explode('@', $email)[0], date_default_timezone_get(), null);
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
