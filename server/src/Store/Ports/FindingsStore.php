<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseProblem;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Arrival\Reading;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\ReadMessage;
use ZippyTray\Core\Tray\Importance\NotReadYet;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\SqliteDriver;

/**
 * What was found in messages. It is kept, and found anew when the rules or the person's settings have changed since. A
 * request only ever gets what is kept; what it misses is noted, and the worker reads it.
 *
 * @phpstan-import-type FindingsState from Findings
 */
final readonly class FindingsStore implements Reading
{
    /** Milliseconds that a request waits to note what it misses. */
    private const PATIENCE = 200;

    public function __construct(private Connection $connection, private ReadMessage $read, private LoggerInterface $logger)
    {
    }

    /**
     * @param list<string> $messageIds
     *
     * @return array<string, Findings> by message, in order of their dates; without those that are not read yet, or cannot be
     */
    public function of(Account $account, array $messageIds): array
    {
        [$found, $missing] = $this->look($account, $messageIds);
        if ([] !== $missing) {
            $this->note($account, $missing);
        }

        return $found;
    }

    /**
     * @param list<string> $messageIds
     *
     * @return array<string, Findings> the same, without those that cannot be read
     *
     * @throws NotReadYet when some are not read yet; they will be
     */
    public function ofAll(Account $account, array $messageIds): array
    {
        [$found, $missing] = $this->look($account, $messageIds);
        if ([] !== $missing) {
            $this->want($account->recipient(), array_map(static fn (string $id): EmailId => new EmailId($id), $missing));
            throw new NotReadYet();
        }

        return $found;
    }

    /**
     * @param list<string> $messageIds
     *
     * @return array{array<string, Findings>, list<string>} what is kept, and of which messages nothing is
     */
    private function look(Account $account, array $messageIds): array
    {
        $found = [];
        $missing = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT m.id, f.findings FROM message m LEFT JOIN message_findings f ON f.message_id = m.id AND f.rules = ?
             WHERE +m.account_id = ? AND m.id IN (SELECT value FROM json_each(?)) ORDER BY m.sent_at, m.id',
            [self::rules($account->person()), $account->id, json_encode($messageIds, \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $id = $row->string('id');
            if (null === $row->stringOrNull('findings')) {
                $missing[] = $id;
                continue;
            }
            try {
                /** @var FindingsState|array{} $state */
                $state = $row->json('findings');
                $found[$id] = [] === $state ? null : Findings::fromState($state);
            } catch (\Throwable $problem) {
                $this->logger->error('What was found in a message cannot be read.', ['message' => $id, 'exception' => $problem]);
            }
        }

        return [array_filter($found), $missing];
    }

    /** A fault of ours in doing so is logged. */
    public function read(Recipient $for, Gist $gist, string $name): ?Findings
    {
        try {
            return ($this->read)($gist, $for->person);
        } catch (\Throwable $problem) {
            $this->logger->error('A message could not be advised.', ['message' => $name, 'exception' => $problem]);

            return null;
        }
    }

    public function keep(Recipient $for, EmailId $messageId, ?Findings $findings): void
    {
        $this->connection->executeStatement(
            'INSERT OR REPLACE INTO message_findings (message_id, rules, findings) VALUES (?, ?, ?)',
            [
                $messageId,
                self::rules($for->person),
                json_encode($findings?->state() ?? [], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE),
            ],
        );
        $this->connection->executeStatement('DELETE FROM findings_wanted WHERE message_id = ?', [$messageId]);
        $this->connection->executeStatement('UPDATE mail_mark SET read = read + 1 WHERE account_id = ?', [$for->accountId]);
    }

    /**
     * @param int $most how many
     *
     * @return list<array{account: string, message: string}> what is to be read, the newest first
     */
    public function wanted(int $most): array
    {
        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return ['account' => $row->string('account_id'), 'message' => $row->string('message_id')];
        }, $this->connection->fetchAllAssociative('SELECT account_id, message_id FROM findings_wanted
            ORDER BY rowid DESC LIMIT ?', [$most]));
    }

    /** How many messages of somebody wait to be read. */
    public function unread(AccountId $accountId): int
    {
        $count = $this->connection->fetchOne('SELECT COUNT(*) FROM findings_wanted WHERE account_id = ?', [$accountId]);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** The worker reads them. */
    public function want(Recipient $for, array $messageIds): void
    {
        $this->connection->executeStatement(
            'INSERT OR IGNORE INTO findings_wanted (message_id, account_id) SELECT value, ? FROM json_each(?)',
            [$for->accountId, json_encode($messageIds, \JSON_THROW_ON_ERROR)],
        );
    }

    /**
     * The same within a request that only reads: it does not wait for others that write.
     *
     * @param list<string> $messageIds
     */
    private function note(Account $account, array $messageIds): void
    {
        $new = $this->connection->fetchOne(
            'SELECT EXISTS (SELECT 1 FROM json_each(?) j WHERE j.value NOT IN (SELECT message_id FROM findings_wanted))',
            [json_encode($messageIds, \JSON_THROW_ON_ERROR)],
        );
        if (1 !== $new) {
            return;
        }
        try {
            $this->connection->executeStatement('PRAGMA busy_timeout='.self::PATIENCE);
            $this->want($account->recipient(), array_map(static fn (string $id): EmailId => new EmailId($id), $messageIds));
        } catch (DatabaseProblem $problem) {
            // It is noted at the next look.
            $this->logger->info('What is to be read could not be noted.', ['exception' => $problem]);
        } finally {
            $this->connection->executeStatement('PRAGMA busy_timeout='.SqliteDriver::BUSY_TIMEOUT_MS);
        }
    }

    /** By what mail is read; whatever was read by something else is read anew. */
    private static function rules(Person $person): string
    {
        return ReadMessage::VERSION.' '.hash(
            'xxh32',
            json_encode([$person->time->state(), $person->zone?->getName()], \JSON_THROW_ON_ERROR),
        );
    }
}
