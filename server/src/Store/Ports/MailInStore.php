<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\MailIn\MadeByMail;
use ZippyTray\Core\MailIn\MailIns;
use ZippyTray\Core\MailIn\MailInState;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\Type\UtcDateTimeType;

final readonly class MailInStore implements MailIns
{
    public function __construct(private Connection $connection)
    {
    }

    public function want(MadeByMail $made): void
    {
        $this->connection->executeStatement(
            "INSERT OR IGNORE INTO mail_in (id, account_id, message_id, details, answers, at, state, did, troubles)
                VALUES (?, ?, ?, ?, ?, ?, ?, '', '[]')",
            [
                $made->id,
                $made->accountId,
                $made->messageId,
                json_encode($made->details, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE),
                $made->answers,
                StoredNow::of($made->at),
                $made->state->value,
            ],
        );
    }

    public function find(AccountId $accountId, string $id): ?MadeByMail
    {
        $columns = $this->connection->fetchAssociative('SELECT * FROM mail_in WHERE id = ? AND account_id = ?', [$id, $accountId]);

        return false === $columns ? null : self::made(new Row($columns));
    }

    public function settle(MadeByMail $made): void
    {
        $this->connection->update('mail_in', [
            'state' => $made->state->value,
            'did' => $made->did,
            'troubles' => json_encode($made->troubles, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE),
            'entry_id' => $made->entryId?->text,
            'task_id' => $made->taskId?->text,
        ], ['id' => $made->id]);
    }

    public function countSince(AccountId $accountId, \DateTimeImmutable $since): int
    {
        $count = $this->connection->fetchOne('SELECT COUNT(*) FROM mail_in WHERE account_id = ? AND at >= ?', [
            $accountId,
            StoredNow::of($since),
        ]);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @return list<array{account: string, id: string}> what is to be carried out, what came first first */
    public function wanted(int $most): array
    {
        /** @var list<array{account: string, id: string}> $wanted */
        $wanted = $this->connection->fetchAllAssociative(
            "SELECT account_id AS account, id FROM mail_in WHERE state = 'wanted' ORDER BY rowid LIMIT ".$most,
        );

        return $wanted;
    }

    /**
     * @param list<string> $messageIds
     *
     * @return list<MadeByMail> what these asked for, in their order
     */
    public function of(AccountId $accountId, array $messageIds): array
    {
        return array_map(
            static fn (array $columns): MadeByMail => self::made(new Row($columns)),
            $this->connection->fetchAllAssociative(
                'SELECT m.* FROM json_each(?) j CROSS JOIN mail_in m ON m.message_id = j.value WHERE +m.account_id = ?
                    ORDER BY j.key, m.at, m.id',
                [json_encode($messageIds, \JSON_THROW_ON_ERROR), $accountId],
            ),
        );
    }

    /** Of one that is damaged what is left of it. */
    private static function made(Row $row): MadeByMail
    {
        $texts = static function (string $column) use ($row): array {
            $texts = json_decode($row->string($column), true);

            return array_values(array_filter(\is_array($texts) ? $texts : [], is_string(...)));
        };
        $at = \DateTimeImmutable::createFromFormat(UtcDateTimeType::FORMAT, $row->string('at'), new \DateTimeZone('UTC'));

        return new MadeByMail(
            $row->string('id'),
            new AccountId($row->string('account_id')),
            new EmailId($row->string('message_id')),
            $texts('details'),
            $row->string('answers'),
            false === $at ? new \DateTimeImmutable('@0') : $at,
            MailInState::tryFrom($row->string('state')) ?? MailInState::Refused,
            $row->string('did'),
            $texts('troubles'),
            EntryId::orNull($row->stringOrNull('entry_id')),
            TaskId::orNull($row->stringOrNull('task_id')),
        );
    }
}
