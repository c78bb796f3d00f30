<?php

declare(strict_types=1);

namespace ZippyTray\Server\Console;

use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Advice\Circumstances;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Advice\ListItem;
use ZippyTray\Core\Tray\Advice\ReadMessage;
use ZippyTray\Core\Tray\Advice\Request;

#[AsCommand('mail:advise', 'Prints what would be advised for a message, and why')]
final class MailAdviseCommand extends Command
{
    public function __construct(
        private readonly MessageReader $reader,
        private readonly ReadMessage $read,
        private readonly Adviser $adviser,
        private readonly ClockInterface $clock,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument('file', InputArgument::REQUIRED, 'A single message (RFC 5322)')
            ->addOption('me', null, InputOption::VALUE_REQUIRED, 'The address of the person that it is read for')
            ->addOption('name', null, InputOption::VALUE_REQUIRED, 'The name of that person', '')
            ->addOption('month-first', null, InputOption::VALUE_NONE, 'Read 4/12 as the twelfth of April')
            ->addOption(
                'zone',
                null,
                InputOption::VALUE_REQUIRED,
                'The IANA zone in which a time is shown that was written in a zone of its own',
            )
            ->setHelp(
                'Prints one JSON object. Nothing is stored, and no habit counts. Days are those of the message\'s own zone; from and to '
                    .'are characters of its plain text, counted from 0.',
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        [$file, $me, $name] = [$input->getArgument('file'), $input->getOption('me'), $input->getOption('name')];
        if (!\is_string($me) || !str_contains($me, '@')) {
            $errors->writeln('For whom is it read? Name the person\'s address with --me=ADDRESS.');

            return self::INVALID;
        }
        $raw = \is_string($file) && is_file($file) && is_readable($file) ? file_get_contents($file) : false;
        if (false === $raw) {
            $errors->writeln(\sprintf('"%s" is not a file that can be read.', \is_string($file) ? $file : ''));

            return self::FAILURE;
        }
        try {
            $content = $this->reader->read($raw, \DateTimeImmutable::createFromInterface($this->clock->now()));
        } catch (UnreadableMessage $problem) {
            $errors->writeln($problem->getMessage());

            return self::FAILURE;
        }
        $gist = Gist::of($content);
        $zone = $input->getOption('zone');
        $found = ($this->read)(
            $gist,
            new Person(
                $me,
                \is_string($name) ? $name : '',
                new TimeSettings(!(bool) $input->getOption('month-first')),
                \is_string($zone) ? Moment::zone($zone) : null,
            ),
        );
        $advice = $this->adviser->advise([$found], new Circumstances($gist->sentAt->date(), Habit::none()));
        $output->writeln(json_encode([
            'decision' => $advice->decision,
            'title' => $advice->title,
            'minutes' => $advice->minutes,
            'reasons' => $advice->reasons,
            'requests' => array_map(
                static fn (Request $request): array => ['text' => $request->text, 'from' => $request->from, 'to' => $request->to],
                $found->requests,
            ),
            'dates' => array_map(
                static fn (FoundDate $date): array => [
                    'kind' => $date->kind,
                    'date' => $date->date,
                    'time' => $date->time,
                    'text' => $date->text,
                    'from' => $date->from,
                    'to' => $date->to,
                ],
                $found->dates,
            ),
            'list' => array_map(static fn (ListItem $item): string => $item->text, $found->items),
        ], \JSON_THROW_ON_ERROR
            | \JSON_UNESCAPED_SLASHES
            | \JSON_UNESCAPED_UNICODE
            | \JSON_INVALID_UTF8_SUBSTITUTE), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
