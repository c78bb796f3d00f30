<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Message;

/**
 * Keeps whom the person has met by mail, message by message, so that nobody has to read all messages to know.
 */
final readonly class PeopleIndex
{
    /** Words of one name that are looked for, and letters of a word. */
    private const WORDS = 24;

    private const LENGTH = 60;

    /** Of what somebody wrote, the sender; of what the person wrote, to whom. */
    public static function add(Connection $connection, Message $message): void
    {
        $sentAt = StoredNow::of($message->sentAt->instant);
        foreach ($message->own ? $message->to : [$message->from] as $address) {
            $email = strtolower($address->email);
            if (1 !== preg_match('/^.+@./s', $email)) {
                continue;
            }
            $isNew = $connection->executeStatement(
                'INSERT OR IGNORE INTO person_message (account_id, email, message_id, own, sent_at) VALUES (?, ?, ?, ?, ?)',
                [$message->accountId, $email, $message->id, (int) $message->own, $sentAt],
            );
            if (0 === $isNew) {
                continue;
            }
            $name = self::name($address);
            $named = $connection->fetchOne('SELECT name FROM person WHERE account_id = ? AND email = ?', [$message->accountId, $email]);
            $connection->executeStatement(
                "INSERT INTO person (account_id, email, name, named_at, received, sent, last_at)
                    VALUES (:account, :email, :name, :named, :received, :sent, :at)
                 ON CONFLICT (account_id, email) DO UPDATE SET received = received + excluded.received, sent = sent + excluded.sent,
                 last_at = MAX(last_at, excluded.last_at),
                    name = CASE WHEN excluded.name <> '' AND excluded.named_at >= named_at THEN excluded.name ELSE name END,
                    named_at = MAX(named_at, excluded.named_at)",
                [
                    'account' => $message->accountId,
                    'email' => $email,
                    'name' => $name,
                    'named' => '' === $name ? '' : $sentAt,
                    'received' => (int) !$message->own,
                    'sent' => (int) $message->own,
                    'at' => $sentAt,
                ],
            );
            if ($named !== $name) {
                self::addWords($connection, $message->accountId, $email, $name);
            }
        }
    }

    /** @param list<string> $messageIds messages that are going to be gone for good */
    public static function forget(Connection $connection, array $messageIds): void
    {
        $ids = json_encode($messageIds, \JSON_THROW_ON_ERROR);
        $people = $connection->fetchAllAssociative(
            'SELECT DISTINCT account_id, email FROM person_message WHERE message_id IN (SELECT value FROM json_each(?))',
            [$ids],
        );
        $connection->executeStatement('DELETE FROM person_message WHERE message_id IN (SELECT value FROM json_each(?))', [$ids]);
        foreach ($people as $person) {
            $connection->executeStatement(
                "UPDATE person SET (received, sent, last_at) = (SELECT COALESCE(SUM(NOT own), 0), COALESCE(SUM(own), 0),
                    COALESCE(MAX(sent_at), '') FROM person_message m WHERE m.account_id = person.account_id AND m.email = person.email)
                 WHERE account_id = ? AND email = ?",
                array_values($person),
            );
            $gone = $connection->executeStatement(
                'DELETE FROM person WHERE account_id = ? AND email = ? AND received + sent = 0',
                array_values($person),
            );
            if ($gone > 0) {
                $connection->executeStatement('DELETE FROM person_word WHERE account_id = ? AND email = ?', array_values($person));
            }
        }
    }

    /** @return list<string> the words of a name or an address, in lower case */
    public static function words(string $text): array
    {
        $words = preg_split('/[\s.@_+\-,"\'()]+/u', mb_strtolower(mb_scrub($text)), -1, \PREG_SPLIT_NO_EMPTY) ?: [];

        return array_map(
            static fn (string $word): string => mb_substr($word, 0, self::LENGTH),
            \array_slice(array_values(array_unique($words)), 0, self::WORDS),
        );
    }

    private static function addWords(Connection $connection, AccountId $accountId, string $email, string $name): void
    {
        $connection->executeStatement(
            'INSERT OR IGNORE INTO person_word (account_id, word, email) SELECT ?, value, ? FROM json_each(?)',
            [$accountId, $email, json_encode(self::words($name.' '.$email), \JSON_THROW_ON_ERROR)],
        );
    }

    /** An address in the place of a name is none. */
    private static function name(Address $address): string
    {
        return str_contains($address->name, '@') ? '' : $address->name;
    }
}
