<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;

/**
 * Measures mailboxes of several sizes beside each other, so that a busy machine disturbs all alike.
 */
#[AsCommand('bench', 'Measures how the program fares with mailboxes of several sizes')]
final class BenchCommand extends Command
{
    private const GROUPS = [
        'import',
        'mailbox',
        'floor',
        'tray',
        'open',
        'decide',
        'task',
        'heartbeat',
        'journal',
        'find',
        'people',
        'tasks',
        'rest',
        'agenda',
        'reckoning',
        'clients',
        'page',
    ];

    /** Of the server's processes, as ./zippy serve starts it. */
    private const WORKERS = 4;

    protected function configure(): void
    {
        $this
            ->addOption('messages', null, InputOption::VALUE_REQUIRED, 'How many messages the mailboxes hold', '1000,10000,100000')
            ->addOption('only', null, InputOption::VALUE_REQUIRED, 'Only these parts: '.implode(', ', self::GROUPS), '')
            ->addOption('json', null, InputOption::VALUE_REQUIRED, 'Writes the figures into this file, too')
            ->addOption('small', null, InputOption::VALUE_NONE, 'Plain messages of about a kilobyte, of which a million fit')
            ->addOption('seconds', null, InputOption::VALUE_REQUIRED, 'How long 16 clients work', '60')
            ->addOption(
                'server',
                null,
                InputOption::VALUE_REQUIRED,
                'zippy: PHP\'s own web server, as ./zippy serve uses it; fpm: nginx and php-fpm from the files of deploy/',
                'zippy',
            )
            ->addOption('folder', null, InputOption::VALUE_REQUIRED, 'Where the mailboxes are kept', \dirname(__DIR__, 2).'/var/bench');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $style = new SymfonyStyle($input, $output);
        $option = static fn (string $name): string => \is_string($value = $input->getOption($name)) ? $value : '';
        $only = array_filter(explode(',', $option('only')));
        if ([] !== $unknown = array_diff($only, self::GROUPS)) {
            $style->error(\sprintf('There is no part "%s". There are: %s.', implode(', ', $unknown), implode(', ', self::GROUPS)));

            return self::INVALID;
        }
        $sizes = array_map(intval(...), explode(',', $option('messages')));
        if (min($sizes) < 1) {
            $style->error('--messages takes numbers, e.g. 1000,100000.');

            return self::INVALID;
        }
        if (!\in_array($option('server'), ['zippy', 'fpm'], true)) {
            $style->error('--server takes zippy or fpm.');

            return self::INVALID;
        }
        $isInstalled = 'fpm' === $option('server');
        $isWanted = static fn (string $group): bool => [] === $only || \in_array($group, $only, true);
        $isSmall = (bool) $input->getOption('small');
        $folders = array_map(
            static fn (int $messages): Folder => new Folder(
                $option('folder').'/'.$messages.($isSmall ? '-small' : ''),
                $messages,
                $isSmall,
                false,
                self::WORKERS,
                $isInstalled,
            ),
            $sizes,
        );
        $parts = array_values(array_filter(Requests::parts(), static fn (Part $part): bool => $isWanted($part->group)));
        $many = [] === array_filter($parts, static fn (Part $part): bool => $part->isMany) ? null : new Folder(
            $option('folder').'/many',
            1000,
            true,
            true,
            self::WORKERS,
            $isInstalled,
        );
        $report = ['messages' => $sizes];
        if ($isWanted('mailbox')) {
            $report['mailbox'] = FromServer::report($sizes, $style);
        }
        if ($isWanted('reckoning')) {
            $report['reckoning'] = Reckoning::report($style);
        }
        // Of it alone, nothing has to be brought in.
        $isMail = [] === $only || [] !== array_diff($only, ['reckoning', 'mailbox']);
        try {
            foreach ($isMail ? array_filter([...$folders, $many]) : [] as $folder) {
                $folder->open(static fn (string $text): null => $style->writeln($text));
            }
            if ($isWanted('import')) {
                $report['import'] = Imports::report($folders, $style);
            }
            if ([] !== $parts) {
                $report['requests'] = (new Measuring($style))($parts, $folders, $many);
            }
            if ($isWanted('clients')) {
                $report['clients'] = (new Clients(16, (int) $option('seconds')))(end($folders), $style);
            }
            if ($isWanted('page')) {
                $report['page'] = Page::report(array_values(array_filter([...$folders, $many])), $style);
            }
        } finally {
            foreach (array_filter([...$folders, $many]) as $folder) {
                $folder->close();
            }
        }
        if ('' !== $file = $option('json')) {
            file_put_contents($file, json_encode($report, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT)."\n");
        }

        return self::SUCCESS;
    }
}
