<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Text\SubjectLine;
use ZippyTray\Core\Mail\Thread\ThreadIndex;
use ZippyTray\Core\Mail\Thread\Threading;
use ZippyTray\Core\Mail\Thread\ThreadPart;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

final readonly class ThreadStore implements ThreadIndex
{
    // CROSS JOIN keeps the order: first the few ids or subjects, then the large tables by their keys.
    private const BY_ID = 'SELECT c.conversation_id FROM json_each(?) j CROSS JOIN thread_id t ON t.account_id = ?
        AND t.header = j.value
        JOIN conversation_message c ON c.message_id = t.message_id';

    private const BY_SUBJECT = "SELECT c.conversation_id FROM json_each(?) j
        CROSS JOIN thread_subject s ON s.account_id = ? AND s.base = j.value ->> 'base' AND s.sent_at
        BETWEEN j.value ->> 'earliest' AND j.value ->> 'latest'
        JOIN conversation_message c ON c.message_id = s.message_id";

    public function __construct(private Connection $connection)
    {
    }

    public function neighbours(AccountId $accountId, array $byIds, array $bySubject, array $except): array
    {
        $ids = array_merge(...array_map(static fn (ThreadPart $part): array => $part->ids(), $byIds));
        $rows = $this->connection->fetchAllAssociative(
            'SELECT m.id, m.message_header, m.reference_ids, m.subject, m.sent_at, m.sender, m.recipients, m.copied, c.conversation_id
             FROM conversation_message c JOIN message m ON m.id = c.message_id
             WHERE c.conversation_id IN ('.self::BY_ID.' UNION '.self::BY_SUBJECT.')
             AND c.conversation_id NOT IN (SELECT value FROM json_each(?))',
            [
                json_encode(array_values(array_unique($ids)), \JSON_THROW_ON_ERROR),
                $accountId,
                json_encode(self::windows($bySubject), \JSON_THROW_ON_ERROR),
                $accountId,
                json_encode($except, \JSON_THROW_ON_ERROR),
            ],
        );
        $found = [];
        foreach ($rows as $columns) {
            $neighbour = self::neighbour(new Row($columns));
            $found[$neighbour['part']->key] = $neighbour;
        }

        return $found;
    }

    /**
     * @param list<ThreadPart> $parts
     *
     * @return list<array{base: string, earliest: string, latest: string}>
     */
    private static function windows(array $parts): array
    {
        $days = \sprintf('%d days', Threading::SUBJECT_DAYS);
        $windows = array_map(static fn (ThreadPart $part): array => [
            'base' => SubjectLine::base($part->subject),
            'earliest' => StoredNow::of($part->sentAt->modify('-'.$days)),
            'latest' => StoredNow::of($part->sentAt->modify('+'.$days)),
        ], $parts);

        return array_values(array_filter($windows, static fn (array $window): bool => '' !== $window['base']));
    }

    public function put(Message $message): void
    {
        $this->connection->executeStatement(
            'INSERT INTO thread_id (account_id, header, message_id) SELECT ?, value, ? FROM json_each(?)',
            [$message->accountId, $message->id, json_encode(ThreadPart::ofMessage($message)->ids(), \JSON_THROW_ON_ERROR)],
        );
        $this->connection->insert('thread_subject', [
            'message_id' => $message->id,
            'account_id' => $message->accountId,
            'base' => SubjectLine::base($message->subject),
            'sent_at' => StoredNow::of($message->sentAt->instant),
        ]);
    }

    /** @return array{part: ThreadPart, conversation: string} */
    private static function neighbour(Row $row): array
    {
        /** @var list<string> $references */
        $references = $row->json('reference_ids');
        /** @var list<array{email: string}> $people */
        $people = [$row->json('sender'), ...$row->json('recipients'), ...$row->json('copied')];
        $people = array_map(static fn (array $person): string => strtolower($person['email']), $people);

        return [
            'part' => new ThreadPart(
                $row->string('id'),
                $row->string('message_header'),
                $references,
                $row->string('subject'),
                new \DateTimeImmutable($row->string('sent_at')),
                $people[0] ?? '',
                array_values(array_unique(array_filter($people))),
            ),
            'conversation' => $row->string('conversation_id'),
        ];
    }
}
