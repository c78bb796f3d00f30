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
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Reading;
use ZippyTray\Core\Time\Field\WhenReader;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Unreadable;

#[AsCommand('when:read', 'Prints what a when phrase says')]
final class WhenReadCommand extends Command
{
    public function __construct(private readonly ClockInterface $clock)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument(
                'phrase',
                InputArgument::REQUIRED,
                'A date, a time or a repeat in plain words: "friday 3pm", "every weekday until 31 dec"',
            )
            ->addOption('now', null, InputOption::VALUE_REQUIRED, 'From when it is seen, as 2026-11-24T10:00; otherwise from now')
            ->addOption(
                'zone',
                null,
                InputOption::VALUE_REQUIRED,
                'The IANA zone of that time and of the reading',
                date_default_timezone_get(),
            )
            ->addOption('month-first', null, InputOption::VALUE_NONE, 'Read 4/12 as the twelfth of April')
            ->setHelp(
                'Prints one JSON object and nothing else. The exit code is 0 when the phrase was understood, 1 when it was not, and 2 when '
                    .'an option cannot be used.',
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $option = static fn (string $name): ?string => \is_string($value = $input->getOption($name)) ? $value : null;
        $phrase = $input->getArgument('phrase');
        try {
            $now = $this->now($option('now'), Moment::zone($option('zone') ?? ''));
        } catch (Refused $refused) {
            $this->print($output, ['understood' => false, 'error' => $refused->getMessage(), 'offset' => 0]);

            return self::INVALID;
        }
        try {
            $reading = (new WhenReader(new TimeSettings(!(bool) $input->getOption('month-first'))))->read(
                \is_string($phrase) ? $phrase : '',
                $now,
            );
        } catch (Unreadable $problem) {
            $this->print($output, ['understood' => false, 'error' => $problem->getMessage(), 'offset' => $problem->offset]);

            return self::FAILURE;
        }
        $this->print(
            $output,
            [
                'understood' => true,
                ...$reading->state(),
                'alternatives' => array_map(static fn (Reading $other): array => $other->state(), $reading->alternatives),
            ],
        );

        return self::SUCCESS;
    }

    /** @throws Refused */
    private function now(?string $text, \DateTimeZone $zone): Moment
    {
        if (null === $text) {
            return new Moment($this->clock->now(), $zone);
        }
        if (1 !== preg_match('/^(\d{4}-\d{2}-\d{2})[T ](\d{2}:\d{2})(?::\d{2})?$/D', $text, $match)) {
            throw new Refused(\sprintf('"%s" is not a moment of the form 2026-11-24T10:00.', $text), 'now');
        }

        return Moment::at(LocalDate::parse($match[1]), TimeOfDay::parse($match[2]), $zone);
    }

    /** @param array<string, mixed> $answer */
    private function print(OutputInterface $output, array $answer): void
    {
        $output->writeln(
            json_encode($answer, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE),
            OutputInterface::OUTPUT_RAW,
        );
    }
}
