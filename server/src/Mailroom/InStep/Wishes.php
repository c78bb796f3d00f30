<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\InStep\Patience;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * What the server is still to do. There is at most one wish of a kind for a message: a later one takes the place of an earlier one.
 */
final readonly class Wishes
{
    public const MOVE = 'move';

    public const SEEN = 'seen';

    public const TOLD = 'told';

    public const APPEND = 'append';

    /** The target of a move that is not wished any more. */
    public const STAY = 'stay';

    /** When what the person has given up is tried again. */
    private const NEVER = '9999-12-31T00:00:00Z';

    /** Marks that a message keeps: it was answered, or forwarded. */
    public const ANSWERED = 1;

    public const FORWARDED = 2;

    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    /** @param int $leaving the how manieth leaving of the inbox it takes part in */
    public function move(AccountId $accountId, int $mailbox, int $copy, FolderRole $to, FolderRole $belongs, int $leaving): void
    {
        $this->connection->executeStatement(
            'INSERT INTO server_wish (account_id, mailbox, copy_id, kind, target, belongs, made_at) VALUES (?, ?, ?, ?, ?, ?, ?)
             ON CONFLICT (copy_id, kind) WHERE copy_id IS NOT NULL DO UPDATE SET belongs = excluded.belongs,
                failures = CASE WHEN target = excluded.target THEN failures ELSE 0 END,
                next_at = CASE WHEN target = excluded.target THEN next_at END, target = excluded.target',
            [$accountId, $mailbox, $copy, self::MOVE, $to->value.' '.$leaving, $belongs->value, $this->now()],
        );
    }

    public function seen(int $copy, bool $isSeen): void
    {
        $this->mark($copy, self::SEEN, $isSeen ? 'on' : 'off');
    }

    /** @param string $messageId of which the bytes are here */
    public function append(AccountId $accountId, int $mailbox, string $messageId, FolderRole $to, FolderRole $belongs): void
    {
        $this->connection->executeStatement(
            'INSERT OR IGNORE INTO server_wish (account_id, mailbox, message_id, kind, target, belongs, made_at)
             VALUES (?, ?, ?, ?, ?, ?, ?)',
            [$accountId, $mailbox, $messageId, self::APPEND, $to->value, $belongs->value, $this->now()],
        );
    }

    /**
     * What was begun and lies where it was to go was moved from here, whatever was decided since: nobody else has moved it there.
     */
    public function ownMoves(ConversationId $conversationId): void
    {
        $this->connection->executeStatement(
            "UPDATE server_copy SET settled = (SELECT f.role FROM server_folder f WHERE f.id = server_copy.folder_id),
                agreed = (SELECT w.begun_for FROM server_wish w WHERE w.copy_id = server_copy.id AND w.kind = 'move')
             WHERE message_id IN (SELECT message_id FROM conversation_message WHERE conversation_id = ?) AND missed = 0
                AND settled IS NOT (SELECT f.role FROM server_folder f WHERE f.id = server_copy.folder_id)
                AND folder_id = (SELECT w.begun_in FROM server_wish w WHERE w.copy_id = server_copy.id AND w.kind = 'move')",
            [$conversationId],
        );
    }

    /** What is not wished any more; of a move that was begun it is still to be found out whether it left another one of the message. */
    public function drop(int $copy, string $kind): void
    {
        $this->connection->executeStatement('DELETE FROM server_wish WHERE copy_id = ? AND kind = ? AND begun_in IS NULL', [$copy, $kind]);
        $this->connection->executeStatement(
            'UPDATE server_wish SET target = ?, failures = 0, next_at = NULL WHERE copy_id = ? AND kind = ?',
            [self::STAY, $copy, $kind],
        );
    }

    /**
     * What was sent from here in a conversation: it lies in Sent there, and what it answered or forwarded is marked so.
     */
    public function ofSent(Account $account, ConversationId $conversationId): void
    {
        $sent = $this->connection->fetchAllAssociative(
            "SELECT o.kind, o.message_id AS about, m.id AS message_id, o.letter ->> 'from' AS sender, o.sent_at,
                EXISTS (SELECT 1 FROM server_copy c WHERE c.message_id = m.id) AS there
             FROM outgoing o LEFT JOIN message m ON m.account_id = o.account_id AND m.own AND m.id IN (
                SELECT message_id FROM conversation_message WHERE conversation_id = o.conversation_id
             ) AND m.message_header = o.message_header
             WHERE o.account_id = ? AND o.conversation_id = ? AND o.state = 'sent'
                AND EXISTS (SELECT 1 FROM server_state s WHERE s.account_id = o.account_id
                    AND o.sent_at >= COALESCE(s.settings ->> 'begunAt', ''))",
            [$account->id, $conversationId],
        );
        foreach ($sent as $columns) {
            $row = new Row($columns);
            $mark = match ($row->string('kind')) {
                'reply', 'reply_all' => self::ANSWERED,
                'forward' => self::FORWARDED,
                default => 0,
            };
            foreach (0 === $mark ? [] : $this->connection->fetchFirstColumn(
                'SELECT id FROM server_copy WHERE message_id = ? AND told & ? = 0 AND missed = 0',
                [$row->string('about'), $mark],
            ) as $copy) {
                $this->mark(is_numeric($copy) ? (int) $copy : 0, self::TOLD, (string) $mark);
            }
            $mailbox = $account->keepingMailbox($row->stringOrNull('sender') ?? '')?->position;
            if (null !== $mailbox && null !== $row->stringOrNull('message_id') && !$row->bool('there')
                && $this->isSince($account->id, $mailbox, $row->string('sent_at'))) {
                $this->append($account->id, $mailbox, $row->string('message_id'), FolderRole::Sent, FolderRole::Sent);
            }
        }
    }

    public function isAnyDue(ServerBox $box): bool
    {
        return null !== $this->next($box, 0)
            || false !== $this->connection->fetchOne(
                "SELECT 1 FROM server_copy c JOIN server_folder f ON f.id = c.folder_id
                 WHERE c.account_id = ? AND c.mailbox = ? AND c.erased AND c.missed = 0 AND f.role = 'bin' LIMIT 1",
                $box->key(),
            );
    }

    /** @return Row|null the first that is due behind that id, with its copy and folder */
    public function next(ServerBox $box, int $after): ?Row
    {
        $row = $this->connection->fetchAssociative(
            'SELECT w.*, c.uid, c.message_id AS about, c.header, c.size, c.missed, c.seen, c.told, c.came_from,
                f.id AS folder_id, f.name AS folder, f.role, f.validity
             FROM server_wish w LEFT JOIN server_copy c ON c.id = w.copy_id LEFT JOIN server_folder f ON f.id = c.folder_id
             WHERE w.account_id = ? AND w.mailbox = ? AND w.id > ? AND (w.next_at IS NULL OR w.next_at <= ?)
                AND NOT (w.target = \'stay\' AND c.missed > 0) ORDER BY w.id LIMIT 1',
            [...$box->key(), $after, $this->now()],
        );

        return false === $row ? null : new Row($row);
    }

    /**
     * It is begun: who finds it so has to look first whether it was done.
     *
     * @param int|null $in the folder in which another one of the message may be left by it
     */
    public function begin(int $wish, ?int $in = null): void
    {
        $this->connection->executeStatement(
            'UPDATE server_wish SET begun = 1, begun_in = ?, begun_for = belongs,
                begun_after = (SELECT COALESCE(MAX(id), 0) FROM server_copy) WHERE id = ?',
            [$in, $wish],
        );
    }

    /** What it may have left behind has been seen to; it is as if it had never been begun. */
    public function notBegun(int $wish): void
    {
        $this->connection->executeStatement('UPDATE server_wish SET begun = 0, begun_in = NULL WHERE id = ?', [$wish]);
    }

    public function done(int $wish): void
    {
        $this->connection->executeStatement('DELETE FROM server_wish WHERE id = ?', [$wish]);
    }

    public function failed(Row $wish, string $problem): void
    {
        $failures = $wish->int('failures') + 1;
        $this->connection->executeStatement(
            'UPDATE server_wish SET failures = ?, next_at = ?, problem = ? WHERE id = ?',
            [
                $failures,
                StoredNow::of(Patience::until($failures, \DateTimeImmutable::createFromInterface($this->clock->now()))),
                $problem,
                $wish->int('id'),
            ],
        );
    }

    /** Whether the mailbox was in step at that moment: what was sent before is of no concern to its server. */
    private function isSince(AccountId $accountId, int $mailbox, string $moment): bool
    {
        return false !== $this->connection->fetchOne(
            "SELECT 1 FROM server_state WHERE account_id = ? AND mailbox = ? AND COALESCE(settings ->> 'begunAt', '') <= ?",
            [$accountId, $mailbox, $moment],
        );
    }

    /** What was refused is tried again in the next round, and not only after the pause. */
    public function again(AccountId $accountId): void
    {
        $this->connection->executeStatement(
            'UPDATE server_wish SET next_at = NULL WHERE account_id = ? AND failures > 0',
            [$accountId],
        );
    }

    /**
     * The person gives up what the server would not do. There it stays as it is, here too, and both sides count as agreed on it; what is
     * decided later is a new wish.
     *
     * @return bool whether there was such a wish
     */
    public function giveUp(AccountId $accountId, int $mailbox, int $wish): bool
    {
        $columns = $this->connection->fetchAssociative(
            'SELECT w.*, f.role FROM server_wish w LEFT JOIN server_copy c ON c.id = w.copy_id
                LEFT JOIN server_folder f ON f.id = c.folder_id
             WHERE w.id = ? AND w.account_id = ? AND w.mailbox = ?',
            [$wish, $accountId, $mailbox],
        );
        if (false === $columns) {
            return false;
        }
        $row = new Row($columns);
        $copy = $row->int('copy_id');
        match ($row->string('kind')) {
            self::MOVE => self::STAY === $row->string('target') || $this->connection->executeStatement(
                'UPDATE server_copy SET settled = ?, agreed = ? WHERE id = ?',
                [$row->string('role'), $row->string('belongs'), $copy],
            ),
            self::SEEN => $this->connection->executeStatement('UPDATE server_copy SET settled_seen = seen WHERE id = ?', [$copy]),
            self::TOLD => $this->connection->executeStatement(
                'UPDATE server_copy SET told = told | ? WHERE id = ?',
                [$row->int('target'), $copy],
            ),
            default => null,
        };
        // What was begun may have left another one behind, and of what was to be put there it is remembered that it is not.
        $isKept = self::APPEND === $row->string('kind') || null !== $row->stringOrNull('begun_in');
        $isKept ? $this->connection->executeStatement(
            'UPDATE server_wish SET target = ?, failures = 0, problem = \'\', next_at = ? WHERE id = ?',
            [self::STAY, self::NEVER, $wish],
        ) : $this->done($wish);

        return true;
    }

    private function mark(int $copy, string $kind, string $target): void
    {
        $this->connection->executeStatement(
            'INSERT INTO server_wish (account_id, mailbox, copy_id, kind, target, belongs, made_at)
             SELECT account_id, mailbox, id, ?, ?, \'\', ? FROM server_copy WHERE id = ?
             ON CONFLICT (copy_id, kind) WHERE copy_id IS NOT NULL DO UPDATE SET target = excluded.target',
            [$kind, $target, $this->now(), $copy],
        );
    }

    private function now(): string
    {
        return StoredNow::of($this->clock->now());
    }
}
