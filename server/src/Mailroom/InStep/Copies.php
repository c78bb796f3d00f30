<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\InStep\Copy;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Server\Store\Row;

/**
 * What lies in the mailboxes: a row for each message in each folder.
 */
final readonly class Copies
{
    /** So many that are gone at once are asked about, when they are a fifth of all or more. */
    private const MUCH = 25;

    public function __construct(private Connection $connection)
    {
    }

    /** The conversation of a message has to be looked at. */
    public function mark(ServerBox $box, ?string $messageId): void
    {
        if (null !== $messageId) {
            $this->connection->executeStatement(
                'INSERT OR IGNORE INTO server_mark (conversation_id, account_id)
                    SELECT conversation_id, ? FROM conversation_message WHERE message_id = ?',
                [$box->accountId(), $messageId],
            );
        }
    }

    public function isAnyMissed(ServerBox $box): bool
    {
        return false !== $this->connection->fetchOne(
            'SELECT 1 FROM server_copy WHERE account_id = ? AND mailbox = ? AND missed > 0 LIMIT 1',
            $box->key(),
        );
    }

    public function isAnyMissedIn(ServerBox $box, int $look): bool
    {
        return false !== $this->connection->fetchOne(
            'SELECT 1 FROM server_copy WHERE account_id = ? AND mailbox = ? AND missed = ? LIMIT 1',
            [...$box->key(), $look],
        );
    }

    /**
     * What was missed and has been taken in again, since only its content tells what it is, goes on as what it was.
     */
    public function findAgain(ServerBox $box): void
    {
        $pairs = $this->connection->fetchAllAssociative(
            'SELECT o.id AS old, (SELECT n.id FROM server_copy n WHERE n.message_id = o.message_id AND n.mailbox = o.mailbox
                AND n.account_id = o.account_id AND n.missed = 0 AND n.agreed IS NULL ORDER BY n.id LIMIT 1) AS new, o.message_id
             FROM server_copy o WHERE o.account_id = ? AND o.mailbox = ? AND o.missed > 0 AND o.message_id IS NOT NULL
                AND o.agreed IS NOT NULL',
            $box->key(),
        );
        foreach ($pairs as $columns) {
            $row = new Row($columns);
            if (0 === $row->int('new')) {
                continue;
            }
            $this->connection->executeStatement(
                'UPDATE server_copy SET (settled, agreed, settled_seen, agreed_read, came_from, leaving, told) =
                    (SELECT settled, agreed, settled_seen, agreed_read, came_from, leaving, told FROM server_copy WHERE id = ?) WHERE id = ?
                    AND agreed IS NULL',
                [$row->int('old'), $row->int('new')],
            );
            $this->connection->executeStatement('DELETE FROM server_copy WHERE id = ?', [$row->int('old')]);
            $this->mark($box, $row->string('message_id'));
        }
    }

    /** What is missed without ever having been taken in is forgotten; the conversations of all else that is gone have to be looked at. */
    public function markGone(ServerBox $box): void
    {
        $gone = 'account_id = ? AND mailbox = ? AND missed > 0 AND missed < (SELECT looks FROM server_state s WHERE
            s.account_id = server_copy.account_id AND s.mailbox = server_copy.mailbox)';
        $this->connection->executeStatement("DELETE FROM server_copy WHERE {$gone} AND (message_id IS NULL OR erased)", $box->key());
        // That it is gone matters only as long as it lies nowhere else.
        $this->connection->executeStatement(
            "DELETE FROM server_copy WHERE account_id = ? AND mailbox = ? AND missed > 0 AND settled = 'gone' AND EXISTS (
                SELECT 1 FROM server_copy o WHERE o.message_id = server_copy.message_id AND o.mailbox = server_copy.mailbox
                    AND o.missed = 0)",
            $box->key(),
        );
        $this->connection->executeStatement(
            "INSERT OR IGNORE INTO server_mark (conversation_id, account_id)
                SELECT c.conversation_id, server_copy.account_id FROM server_copy
                JOIN conversation_message c ON c.message_id = server_copy.message_id WHERE {$gone} AND settled IS NOT 'gone'",
            $box->key(),
        );
    }

    /**
     * Whether so much is gone at once that it may be a mistake: a folder that was removed, a server that was set up anew. Then it
     * only counts as missed, until the person says that it may be gone.
     *
     * @return string a sentence; empty when it is as usual
     */
    public function muchIsGone(ServerBox $box): string
    {
        $row = new Row($this->connection->fetchAssociative(
            "SELECT COUNT(*) AS known, COALESCE(SUM(missed > 0 AND missed < ? AND settled IS NOT 'gone'), 0) AS gone
             FROM server_copy WHERE account_id = ? AND mailbox = ? AND message_id IS NOT NULL",
            [$box->looks, ...$box->key()],
        ) ?: []);
        [$gone, $known] = [$row->int('gone'), $row->int('known')];
        if ($box->settings->mayVanish || $gone < self::MUCH || $gone * 5 < $known) {
            return '';
        }
        $this->connection->executeStatement(
            'UPDATE server_copy SET missed = ? WHERE account_id = ? AND mailbox = ? AND missed > 0 AND missed < ?',
            [$box->looks, ...$box->key(), $box->looks],
        );

        return \sprintf(
            'Of the %d messages that were there %d are gone at once. That may be a mistake, so nothing was changed here. '
                .'“Go on” puts them into the bin here, too.',
            $known,
            $gone,
        );
    }

    /** @return list<Row> of all copies of a conversation, with the role of their folder; the newest message first */
    public function ofConversation(AccountId $accountId, ConversationId $conversationId): array
    {
        return array_map(static fn (array $columns): Row => new Row($columns), $this->connection->fetchAllAssociative(
            "SELECT c.*, f.role, b.role AS before, m.own, s.looks, s.settings, EXISTS (
                SELECT 1 FROM server_copy w WHERE w.account_id = c.account_id AND w.mailbox = c.mailbox AND w.state = 'wanted'
                    AND w.size = c.size AND c.missed > 0
             ) AS may_be_found, (SELECT group_concat(w.kind) FROM server_wish w WHERE w.copy_id = c.id) AS wishes
             FROM conversation_message cm JOIN server_copy c ON c.message_id = cm.message_id JOIN message m ON m.id = cm.message_id
             JOIN server_state s ON s.account_id = c.account_id AND s.mailbox = c.mailbox
             LEFT JOIN server_folder f ON f.id = c.folder_id LEFT JOIN server_folder b ON b.id = c.came_from
             WHERE cm.conversation_id = ? AND c.account_id = ? ORDER BY m.sent_at DESC, m.id DESC, c.id",
            [$conversationId, $accountId],
        ));
    }

    /** @param int $age how many of its conversation are newer */
    public static function copy(Row $row, int $age): Copy
    {
        $settled = FolderRole::tryFrom($row->string('settled'));
        $isGone = $row->int('missed') > 0 && $row->int('missed') < $row->int('looks') && !$row->bool('may_be_found');

        return new Copy(
            $row->string('id'),
            match (true) {
                $isGone => FolderRole::Gone,
                // It may be found again yet.
                $row->int('missed') > 0 => $settled ?? FolderRole::Other,
                default => FolderRole::tryFrom($row->string('role')) ?? FolderRole::Other,
            },
            $settled,
            FolderRole::tryFrom($row->string('agreed')),
            FolderRole::tryFrom($row->string('before')),
            $row->int('leaving'),
            $age,
            $row->bool('own'),
        );
    }
}
