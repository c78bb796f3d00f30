<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;
use ZippyTray\Core\Mail\Thread\Threading;
use ZippyTray\Core\Mail\Thread\ThreadPart;
use ZippyTray\Server\Mailroom\MailFiles;

#[AsCommand('mail:threads', 'Prints the conversations that the messages of a file or folder form')]
final class MailThreadsCommand extends Command
{
    public function __construct(
        private readonly MailFiles $files,
        private readonly MessageReader $reader,
        private readonly ClockInterface $clock,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument('path', InputArgument::REQUIRED, 'An mbox file, a single message, or a folder of these')
            ->setHelp('Prints one JSON object: Message-IDs in order of date, conversations by their first date. Nothing is stored.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $path = $input->getArgument('path');
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $parts = [];
        foreach ($this->files->in(\is_string($path) ? $path : '') as $found) {
            try {
                $parts[] = ThreadPart::of(
                    \sprintf('%s@%d', $found->file, $found->position),
                    $this->reader->read($found->raw ?? throw new UnreadableMessage($found->problem), $now),
                );
            } catch (UnreadableMessage $problem) {
                $errors->writeln(\sprintf('%s, at byte %d: %s', $found->file, $found->position, $problem->getMessage()));
            }
        }
        $threads = array_map(
            static fn (array $thread): array => array_map(static fn (ThreadPart $part): string => '<'.$part->header.'>', $thread),
            (new Threading())->threads($parts),
        );
        $output->writeln(
            json_encode(['threads' => $threads], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
