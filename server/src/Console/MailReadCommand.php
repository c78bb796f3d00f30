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
use ZippyTray\Core\Mail\AttachmentContent;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;
use ZippyTray\Core\Mail\Text\BodyKind;
use ZippyTray\Core\Mail\Text\BodyPart;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\KindOfMail;
use ZippyTray\Core\Tray\Advice\MailKind;

#[AsCommand('mail:read', 'Prints what is read in a message: its kind, its text, and whose words that is')]
final class MailReadCommand extends Command
{
    public function __construct(
        private readonly MessageReader $reader,
        private readonly KindOfMail $kinds,
        private readonly ClockInterface $clock,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addArgument('file', InputArgument::REQUIRED, 'A single message (RFC 5322)')
            ->addOption(
                'me',
                null,
                InputOption::VALUE_REQUIRED,
                'The address of the person that it is read for; otherwise the first one that it went to',
            )
            ->setHelp(
                'Prints one JSON object. Nothing is stored. "written" is what the sender wrote now, "quoted" and "signature" the rest of '
                    .'the text; "failed" are addresses that a message was not delivered to.',
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        [$file, $me] = [$input->getArgument('file'), $input->getOption('me')];
        $raw = \is_string($file) && is_file($file) ? file_get_contents($file) : false;
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
        $output->writeln(
            json_encode(
                $this->told($content, \is_string($me) ? $me : $content->to[0]->email ?? ''),
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }

    /** @return array<string, mixed> */
    private function told(MessageContent $content, string $me): array
    {
        $body = new BodyText();
        $only = static fn (BodyKind $kind): string => trim(implode(
            "\n",
            array_map(static fn (array $piece): string => trim($piece[0], "\n"), $body->pieces($content->text, $kind)),
        ));
        $event = array_values(array_filter(array_map(
            static fn (AttachmentContent $attached) => $attached->attachment->event,
            $content->attachments,
        )))[0] ?? null;

        return [
            'subject' => $content->subject,
            'from' => $content->from->email,
            'date' => $content->sentAt->instant->setTimezone($content->sentAt->zone)->format(\DATE_ATOM),
            'kind' => self::kind($this->kinds->of(Gist::of($content), new Person($me))),
            'text' => $content->text,
            'written' => $body->written($content->text),
            'quoted' => $only(BodyKind::Quoted),
            'answers' => array_values(array_filter(
                array_map(
                    static fn (BodyPart $part): array => [
                        'to' => $part->answers,
                        'text' => trim(mb_substr($content->text, $part->from, $part->to - $part->from)),
                    ],
                    $body->parts($content->text),
                ),
                static fn (array $answer): bool => '' !== $answer['to'],
            )),
            'signature' => $only(BodyKind::Signature),
            'attachments' => array_map(
                static fn (AttachmentContent $attached): array => [
                    'name' => $attached->attachment->name,
                    'type' => $attached->attachment->type,
                    'bytes' => $attached->attachment->size,
                ],
                $content->attachments,
            ),
            'failed' => $content->report->failed ?? [],
            'event' => null === $event ? null : ['answered' => $event->answerOf($me)] + $event->jsonSerialize(),
        ];
    }

    /** In fewer words than advice needs. */
    private static function kind(MailKind $kind): string
    {
        return match ($kind) {
            MailKind::Newsletter, MailKind::Advert => 'bulk',
            MailKind::AutoReply => 'automatic',
            MailKind::InvitationNews => 'invitation',
            default => $kind->value,
        };
    }
}
