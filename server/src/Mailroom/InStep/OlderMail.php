<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Server\Store\LeftThere;
use ZippyTray\Server\Store\Row;

/**
 * What lay in an inbox before the part that is to be decided, and was left in the inbox there and put into the archive here.
 */
final readonly class OlderMail
{
    /** Copies that are looked through at a time. */
    private const PAGE = 500;

    public function __construct(
        private Connection $connection,
        private Transaction $transaction,
    ) {
    }

    /**
     * How far it has come in.
     *
     * @return array{
     *     coming: int, reading: int
     * } messages that are still to come in before what had better stay can be said: those of the inbox and of what was sent; and those
     *   that are still to be read for it
     */
    public function progress(AccountId $accountId, int $mailbox): array
    {
        $row = new Row($this->connection->fetchAssociative(
            "SELECT (SELECT COUNT(*) FROM server_folder f JOIN server_copy c ON c.folder_id = f.id AND c.state = 'wanted' AND c.missed = 0
                    WHERE f.account_id = :account AND f.mailbox = :mailbox AND f.role IN ('inbox', 'sent')) AS coming,
                (SELECT COUNT(*) FROM findings_wanted w WHERE w.account_id = :account) AS reading",
            ['account' => $accountId, 'mailbox' => $mailbox],
        ) ?: []);

        return ['coming' => $row->int('coming'), 'reading' => $row->int('reading')];
    }

    /**
     * Whether anything of it is left in the inbox there that is to leave it, too; that is begun for a part of it.
     */
    public function leave(ServerBox $box): bool
    {
        $left = LeftThere::COPY;

        return $this->transaction->run(function () use ($box, $left): bool {
            $ids = $this->connection->fetchAllKeyValue(
                "SELECT c.id, x.conversation_id FROM server_copy c JOIN conversation_message x ON x.message_id = c.message_id
                 JOIN conversation v ON v.id = x.conversation_id
                 WHERE c.account_id = ? AND c.mailbox = ? AND {$left} AND v.place = 'archive' ORDER BY c.id LIMIT ".self::PAGE,
                $box->key(),
            );
            $this->connection->executeStatement(
                "UPDATE server_copy SET agreed = 'inbox' WHERE id IN (SELECT value FROM json_each(?))",
                [json_encode(array_keys($ids), \JSON_THROW_ON_ERROR)],
            );
            $this->connection->executeStatement(
                'INSERT OR IGNORE INTO server_mark (conversation_id, account_id) SELECT value, ? FROM json_each(?)',
                [$box->accountId(), json_encode(array_values($ids), \JSON_THROW_ON_ERROR)],
            );

            return self::PAGE === \count($ids);
        });
    }
}
