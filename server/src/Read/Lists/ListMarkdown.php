<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Lists;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;

/**
 * All that a list holds, with its letters, as one text that can be read anywhere (Markdown, CommonMark). It is given in
 * pieces, so that its length is no matter; what cannot be read is named and left out.
 */
final readonly class ListMarkdown
{
    /** Characters of a letter; of a longer one the beginning. */
    private const LETTER = 50_000;

    public function __construct(
        private Connection $connection,
        private Messages $messages,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
    }

    /** @return iterable<string> */
    public function of(Account $account, TaskList $list): iterable
    {
        $zone = $account->profile->timeZone();
        $today = \DateTimeImmutable::createFromInterface($this->clock->now())->setTimezone($zone);
        yield \sprintf("# %s\n\n%s\n", self::plain($list->name()), $today->format('D j M Y, H:i'));
        if ('' !== $list->note()) {
            yield "\n## Note\n\n{$list->note()}\n";
        }
        yield from $this->toDo($account, $list);
        yield from $this->toLookUp($account, $list);
        $of = $this->connection->iterateAssociative(
            'SELECT x.conversation_id, x.stage, c.subject FROM card x JOIN conversation c ON c.id = x.conversation_id
             WHERE x.account_id = ? AND x.list_id = ? ORDER BY c.latest_at, c.id',
            [$account->id, $list->id],
        );
        $number = 0;
        foreach ($of as $columns) {
            $row = new Row($columns);
            if (0 === $number++) {
                yield "\n## Letters\n";
            }
            $stage = $list->stages()->at($row->stringOrNull('stage'));
            yield \sprintf(
                "\n### %s%s\n",
                self::plain($row->string('subject')) ?: 'no subject',
                null === $stage ? '' : ' ('.self::plain($stage->name).')',
            );
            yield from $this->letters($account, $row->string('conversation_id'), $zone);
        }
    }

    /** @return iterable<string> */
    private function toDo(Account $account, TaskList $list): iterable
    {
        $number = 0;
        foreach ($this->connection->iterateAssociative(
            'SELECT title, notes, due_date, due_time, stage, completed_at FROM task WHERE account_id = ? AND list_id = ?
             ORDER BY completed_at IS NOT NULL, rank, id',
            [$account->id, $list->id],
        ) as $columns) {
            $row = new Row($columns);
            if (0 === $number++) {
                yield "\n## To do\n\n";
            }
            $due = $row->stringOrNull('due_date');
            $facts = array_filter([
                null === $due ? '' : 'due '.trim($due.' '.$row->stringOrNull('due_time')),
                self::plain($list->stages()->at($row->stringOrNull('stage'))->name ?? ''),
            ]);
            yield \sprintf(
                "- [%s] %s%s\n%s",
                null === $row->stringOrNull('completed_at') ? ' ' : 'x',
                self::plain($row->string('title')),
                [] === $facts ? '' : ' ('.implode(', ', $facts).')',
                '' === $row->string('notes') ? '' : self::indented($row->string('notes'), '  '),
            );
        }
    }

    /** @return iterable<string> */
    private function toLookUp(Account $account, TaskList $list): iterable
    {
        $number = 0;
        foreach ($this->connection->iterateAssociative(
            'SELECT kind, title, text, url FROM reference WHERE account_id = ? AND list_id = ? ORDER BY rank, id',
            [$account->id, $list->id],
        ) as $columns) {
            $row = new Row($columns);
            if (0 === $number++) {
                yield "\n## To look up\n\n";
            }
            $title = self::plain($row->string('title'));
            yield \sprintf(
                "- %s (%s)\n%s",
                '' === $row->string('url') ? $title : \sprintf('[%s](<%s>)', $title, $row->string('url')),
                'page' === $row->string('kind') ? 'web page' : $row->string('kind'),
                '' === $row->string('text') ? '' : self::indented($row->string('text'), '  '),
            );
        }
    }

    /** @return iterable<string> */
    private function letters(Account $account, string $conversation, \DateTimeZone $zone): iterable
    {
        try {
            foreach ($this->messages->ofConversation($account->id, new ConversationId($conversation)) as $message) {
                yield self::letter($message, $zone);
            }
        } catch (\Throwable $problem) {
            $this->logger->error('A conversation could not be written down.', ['conversation' => $conversation, 'exception' => $problem]);
            yield "\nThis conversation cannot be read.\n";
        }
    }

    private static function letter(Message $message, \DateTimeZone $zone): string
    {
        $people = array_map(
            static fn (Address $one): string => self::plain('' === $one->name ? $one->email : $one->name),
            [$message->from, ...$message->to],
        );

        return \sprintf(
            "\n**%s** to %s, %s\n\n%s",
            $people[0] ?: 'unknown sender',
            implode(', ', \array_slice($people, 1)) ?: 'nobody named',
            $message->sentAt->instant->setTimezone($zone)->format('D j M Y, H:i'),
            self::indented(mb_substr($message->text, 0, self::LETTER), '> '),
        );
    }

    /** What would be read as a mark is not. */
    private static function plain(string $text): string
    {
        return (string) preg_replace(['/\s+/u', '/([\\\\`*_{}\[\]<>#|~!&])/'], [' ', '\\\\$1'], trim($text));
    }

    private static function indented(string $text, string $by): string
    {
        return implode('', array_map(static fn (string $line): string => rtrim($by.$line)."\n", explode("\n", trim($text))));
    }
}
