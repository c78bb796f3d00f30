<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\DBAL\ParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Text\InnerWords;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Store\PeopleIndex;
use ZippyTray\Server\Store\StoredNow;

final readonly class MessageStore implements Messages
{
    private const COMPRESSION = 3;

    public function __construct(private EntityManagerInterface $orm, private LoggerInterface $logger)
    {
    }

    public function get(AccountId $accountId, EmailId $id): Message
    {
        return $this->orm->getRepository(Message::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('message', $id->text);
    }

    public function at(AccountId $accountId, string $address): Message
    {
        foreach (self::namesOf($address) as $one) {
            $id = $this->orm->getConnection()->fetchOne(
                'SELECT id FROM message WHERE account_id = ? AND (message_header = ? OR id = ?) ORDER BY sent_at DESC LIMIT 1',
                [$accountId, $one, $one],
            );
            if (\is_string($id)) {
                return $this->get($accountId, new EmailId($id));
            }
        }

        throw new NotFound('message', self::namesOf($address)[0]);
    }

    /** @return non-empty-list<string> what a lasting address may name: an id here, or a Message-ID (mid:, RFC 2392) */
    public static function namesOf(string $address): array
    {
        $header = trim(rawurldecode((string) preg_replace('/^mid:/i', '', trim(mb_scrub($address)))), '<> ');

        // Of mid:message/part the message counts; a slash is rare within a Message-ID, but may be.
        return [$header, (string) preg_replace('~/[^/]*$~', '', $header)];
    }

    public function newestIn(AccountId $accountId, ConversationId $conversationId): EmailId
    {
        $id = $this->orm->getConnection()->fetchOne(
            'SELECT m.id FROM conversation_message c JOIN message m ON m.id = c.message_id
             WHERE m.account_id = ? AND c.conversation_id = ? ORDER BY m.own, m.sent_at DESC, m.id DESC LIMIT 1',
            [$accountId, $conversationId],
        );

        return \is_string($id) ? new EmailId($id) : throw new NotFound('conversation', $conversationId->text);
    }

    public function isAnsweredByHand(AccountId $accountId, ConversationId $conversationId, \DateTimeImmutable $after): bool
    {
        return false !== $this->orm->getConnection()->fetchOne(
            "SELECT 1 FROM conversation_message c CROSS JOIN message m ON m.id = c.message_id
             WHERE c.conversation_id = ? AND +m.account_id = ? AND NOT m.own AND m.sent_at > ?
                AND m.list_headers ->> 'auto-submitted' IS NULL AND m.list_headers ->> 'precedence' IS NULL LIMIT 1",
            [$conversationId, $accountId, StoredNow::of($after)],
        );
    }

    /**
     * @param list<string> $conversations
     *
     * @return array<string, Message> by conversation, the newest message of each that somebody else wrote; without damaged ones
     */
    public function newestByOthers(AccountId $accountId, array $conversations): array
    {
        $ids = $this->orm->getConnection()->fetchAllKeyValue(
            'SELECT j.value, (SELECT m.id FROM conversation_message c CROSS JOIN message m ON m.id = c.message_id
                WHERE c.conversation_id = j.value AND +m.account_id = ? AND NOT m.own ORDER BY m.sent_at DESC, m.id DESC LIMIT 1)
             FROM json_each(?) j',
            [$accountId, json_encode($conversations, \JSON_THROW_ON_ERROR)],
        );
        $messages = [];
        foreach ($this->byIds($accountId, array_values(array_filter($ids, is_string(...)))) as $message) {
            $messages[$message->id->text] = $message;
        }

        $newest = [];
        foreach ($ids as $conversation => $id) {
            if (\is_string($id) && isset($messages[$id])) {
                $newest[(string) $conversation] = $messages[$id];
            }
        }

        return $newest;
    }

    public function known(AccountId $accountId, string $fingerprint): ?EmailId
    {
        $id = $this->orm->getConnection()->fetchOne(
            'SELECT id FROM message WHERE account_id = ? AND fingerprint = ?',
            [$accountId, $fingerprint],
        );

        return \is_string($id) ? new EmailId($id) : null;
    }

    public function isErased(AccountId $accountId, string $fingerprint): bool
    {
        return false !== $this->orm->getConnection()->fetchOne(
            'SELECT 1 FROM erased_message WHERE account_id = ? AND fingerprint = ?',
            [$accountId, $fingerprint],
        );
    }

    public function add(Message $message, string $raw, ConversationId $conversationId, string $attached = ''): void
    {
        $this->orm->persist($message);
        $connection = $this->orm->getConnection();
        $connection->insert(
            'message_source',
            ['message_id' => $message->id, 'source' => gzcompress($raw, self::COMPRESSION)],
            ['source' => ParameterType::LARGE_OBJECT],
        );
        $connection->insert(
            'conversation_message',
            ['message_id' => $message->id, 'conversation_id' => $conversationId] + self::words($message, $attached),
        );
        $number = (int) $connection->lastInsertId();
        $connection->executeStatement(
            'INSERT INTO mail_mark (account_id, number) VALUES (?, ?) ON CONFLICT (account_id) DO UPDATE SET number = excluded.number',
            [$message->accountId, $number],
        );
        PeopleIndex::add($connection, $message);
    }

    /**
     * What it is found by besides its subject and text; the index of words takes it from conversation_message.
     *
     * @return array{people: string, files: string, attached: string, inside: string}
     */
    public static function words(Message $message, string $attached): array
    {
        $people = self::people($message);
        $files = implode(' ', array_map(static fn (Attachment $file): string => $file->name, $message->attachments));

        return [
            'people' => $people,
            'files' => $files,
            'attached' => $attached,
            'inside' => InnerWords::of($message->subject, $people, $files, $message->text, $attached),
        ];
    }

    /** Everybody whom it names. */
    private static function people(Message $message): string
    {
        return implode(
            ' ',
            array_map(
                static fn (Address $address): string => $address->name.' '.$address->email,
                [$message->from, ...$message->to, ...$message->cc],
            ),
        );
    }

    public function conversationOf(Message $message): ConversationId
    {
        $id = $this->orm->getConnection()->fetchOne(
            'SELECT conversation_id FROM conversation_message WHERE message_id = ?',
            [$message->id],
        );

        return \is_string($id) ? new ConversationId($id) : throw new NotFound('conversation', $message->id->text);
    }

    /** @return list<Message> of a conversation, oldest first */
    public function ofConversation(AccountId $accountId, ConversationId $conversationId): array
    {
        $ids = $this->orm->getConnection()->fetchFirstColumn(
            'SELECT message_id FROM conversation_message WHERE conversation_id = ?',
            [$conversationId],
        );
        $messages = $this->byIds($accountId, $ids);
        usort($messages, static fn (Message $a, Message $b): int => [$a->sentAt->instant, $a->id] <=> [$b->sentAt->instant, $b->id]);

        return $messages;
    }

    /**
     * @param list<mixed> $ids
     *
     * @return list<Message> those that can be read
     */
    private function byIds(AccountId $accountId, array $ids): array
    {
        try {
            // By their ids alone: with the account beside them, all of its messages might be gone through.
            return array_values(array_filter(
                $this->orm->getRepository(Message::class)->findBy(['id' => $ids]),
                static fn (Message $message): bool => $message->accountId->is($accountId),
            ));
        } catch (\Throwable) {
            // One of them is damaged. The others are there.
            return array_values(array_filter(array_map(fn (mixed $id): ?Message => $this->orNull($accountId, $id), $ids)));
        }
    }

    private function orNull(AccountId $accountId, mixed $id): ?Message
    {
        try {
            return $this->orm->getRepository(Message::class)->findOneBy(['accountId' => $accountId, 'id' => $id]);
        } catch (\Throwable $problem) {
            $this->logger->error('A message cannot be read from the database.', ['message' => $id, 'exception' => $problem]);

            return null;
        }
    }

    public function source(Message $message): string
    {
        $compressed = $this->orm->getConnection()->fetchOne('SELECT source FROM message_source WHERE message_id = ?', [$message->id]);
        $raw = \is_string($compressed) ? gzuncompress($compressed) : false;

        return false === $raw ? throw new NotFound('message', $message->id->text) : $raw;
    }
}
