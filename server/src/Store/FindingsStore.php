<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Letter;
use ZippyTray\Core\Tray\Advice\ReadLetter;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\View\Row;

/**
 * What was found in messages. It is kept, and found anew when the rules or the person's settings
 * have changed since.
 *
 * @phpstan-import-type FindingsState from Findings
 */
final readonly class FindingsStore
{
    public function __construct(private Connection $connection, private EntityManagerInterface $orm, private ReadLetter $read)
    {
    }

    /**
     * @param list<string> $messageIds
     *
     * @return array<string, Findings> by message, in order of their dates
     */
    public function of(Account $account, array $messageIds): array
    {
        $found = [];
        $missing = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT m.id, f.findings FROM message m LEFT JOIN message_findings f ON f.message_id = m.id AND f.rules = ?
             WHERE m.account_id = ? AND m.id IN (SELECT value FROM json_each(?)) ORDER BY m.sent_at, m.id',
            [self::rules($account), $account->id, json_encode($messageIds, \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $id = $row->string('id');
            if (null === $row->stringOrNull('findings')) {
                $missing[] = $id;
            }
            /** @var FindingsState|array{} $state */
            $state = null === $row->stringOrNull('findings') ? [] : $row->json('findings');
            $found[$id] = [] === $state ? null : Findings::fromState($state);
        }
        if ([] !== $missing) {
            foreach ($this->orm->getRepository(Message::class)->findBy(['accountId' => $account->id, 'id' => $missing]) as $message) {
                $found[$message->id] = $this->keep($account, $message);
            }
        }

        return array_filter($found);
    }

    /** Reads a message and keeps what was found. */
    public function keep(Account $account, Message $message): Findings
    {
        $findings = ($this->read)(Letter::ofMessage($message), $account->person());
        $this->connection->executeStatement(
            'INSERT OR REPLACE INTO message_findings (message_id, rules, findings) VALUES (?, ?, ?)',
            [$message->id, self::rules($account), json_encode($findings->state(), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE)],
        );

        return $findings;
    }

    private static function rules(Account $account): string
    {
        return ReadLetter::VERSION.($account->person()->dayFirst ? ' day first' : ' month first');
    }
}
