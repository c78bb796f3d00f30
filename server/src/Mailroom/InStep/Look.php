<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Server\Mailroom\Imap\FolderStatus;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\Imap\Listed;
use ZippyTray\Server\Mailroom\Imap\NotDone;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * Looks at a mailbox and notes what lies where: what is new, what has moved, what is missed, what was read. Nothing is
 * decided by that.
 *
 * How far it came in a folder is noted with what was found, so it can be stopped anywhere.
 */
final readonly class Look
{
    private const AT_ONCE = 500;

    /** Of so many folders it is said that they could not be looked at. */
    private const TOLD = 3;

    public function __construct(
        private Connection $connection,
        private Transaction $transaction,
        private ServerFolders $folders,
        private ServerBoxes $boxes,
        private Copies $copies,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @param callable(): bool $isEnding asked before each folder
     *
     * @return bool whether something is missed that was there before, so that it is worth looking once more
     */
    public function __invoke(ServerBox $box, ImapConnection $on, callable $isEnding): bool
    {
        $problems = [];
        $isUncertain = false;
        $statuses = $on->folders();
        foreach ($this->folders->follow($box, $statuses) as [$folder, $status]) {
            if ($isEnding()) {
                return false;
            }
            if (self::isAsBefore($folder, $status)) {
                continue;
            }
            try {
                $this->folder($box, $on, $folder, $status);
            } catch (NotDone $problem) {
                // The others are looked at nevertheless.
                $this->logger->warning(
                    'A folder could not be looked at.',
                    ['folder' => $folder->name, 'problem' => $problem->getMessage()],
                );
                $problems[] = self::said($folder).': '.$problem->getMessage();
                $isUncertain = $isUncertain || $folder->next > 1;
            }
        }
        foreach ($this->folders->shut($box, $statuses) as $folder) {
            $problems[] = self::said($folder).'.';
            $isUncertain = true;
        }
        $this->boxes->looked($box, implode(' ', \array_slice($problems, 0, self::TOLD)), $isUncertain);

        return $this->copies->isAnyMissedIn($box, $box->looks + 1);
    }

    private static function said(ServerFolder $folder): string
    {
        return \sprintf('“%s” could not be looked at', mb_strimwidth($folder->name, 0, 80, '…'));
    }

    private static function isAsBefore(ServerFolder $folder, FolderStatus $status): bool
    {
        $isSame = $folder->validity === $status->validity && $folder->next === $status->next && $folder->messages === $status->messages;

        // Without CONDSTORE only the messages themselves tell whether they were read.
        return $isSame && (0 === $status->modSeq ? FolderRole::Inbox !== $folder->role : $folder->modSeq === $status->modSeq);
    }

    private function folder(ServerBox $box, ImapConnection $on, ServerFolder $folder, FolderStatus $status): void
    {
        if ($folder->validity !== $status->validity) {
            $this->transaction->run(function () use ($box, $folder, $status): void {
                $this->folders->miss($box, $folder);
                $this->connection->executeStatement('UPDATE server_folder SET validity = ? WHERE id = ?', [$status->validity, $folder->id]);
            });
            $folder = new ServerFolder($folder->id, $folder->name, $folder->role, $folder->isTakenIn, $status->validity, 1, 0, 0);
        }
        if ($folder->next > 1) {
            $this->gone($box, $folder, $on);
            foreach (array_chunk($on->flags($folder->name, $folder->validity, $folder->modSeq), self::AT_ONCE) as $some) {
                $this->transaction->run(fn () => $this->marked($box, $folder, $some));
            }
        }
        $some = [];
        foreach ($on->listed($folder->name, $folder->validity, $status->next, $folder->next) as $listed) {
            $some[] = $listed;
            if (\count($some) >= self::AT_ONCE) {
                $this->transaction->run(fn () => $this->came($box, $folder, $some));
                $some = [];
            }
        }
        $this->transaction->run(function () use ($box, $folder, $some, $status): void {
            $this->came($box, $folder, $some);
            $this->connection->executeStatement(
                'UPDATE server_folder SET next = ?, mod_seq = ?, messages = ? WHERE id = ?',
                [$status->next, $status->modSeq, $status->messages, $folder->id],
            );
        });
    }

    private function gone(ServerBox $box, ServerFolder $folder, ImapConnection $on): void
    {
        $gone = $on->vanished($folder->name, $folder->validity, $folder->modSeq);
        if (null === $gone) {
            $known = $this->connection->fetchFirstColumn(
                'SELECT uid FROM server_copy WHERE folder_id = ? AND uid IS NOT NULL AND missed = 0',
                [$folder->id],
            );
            $there = array_fill_keys($on->uids($folder->name, $folder->validity), true);
            $gone = array_values(array_filter(
                array_map(static fn (mixed $uid): int => is_numeric($uid) ? (int) $uid : 0, $known),
                static fn (int $uid): bool => !isset($there[$uid]),
            ));
        }
        foreach (array_chunk($gone, self::AT_ONCE) as $some) {
            $this->connection->executeStatement(
                'UPDATE server_copy SET missed = ?, uid = NULL WHERE folder_id = ? AND uid IN (SELECT value FROM json_each(?))',
                [$box->looks + 1, $folder->id, json_encode($some, \JSON_THROW_ON_ERROR)],
            );
        }
    }

    /** @param list<Listed> $some */
    private function marked(ServerBox $box, ServerFolder $folder, array $some): void
    {
        $known = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT id, uid, seen, missed, message_id FROM server_copy WHERE folder_id = ? AND uid IN (SELECT value FROM json_each(?))',
            [$folder->id, json_encode(array_map(static fn (Listed $one): int => $one->uid, $some), \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $known[$row->int('uid')] = $row;
        }
        foreach ($some as $one) {
            $row = $known[$one->uid] ?? null;
            $isMissed = true === $row?->bool('missed');
            if (null === $row || ($row->bool('seen') === $one->isSeen() && $isMissed === $one->isDeleted())) {
                continue;
            }
            // Who only marks as deleted has deleted it.
            $this->connection->executeStatement(
                'UPDATE server_copy SET seen = ?, missed = ? WHERE id = ?',
                [$one->isSeen() ? 1 : 0, match (true) {
                    !$one->isDeleted() => 0,
                    $isMissed => $row->int('missed'),
                    default => $box->looks + 1,
                }, $row->int('id')],
            );
            $this->copies->mark($box, $row->stringOrNull('message_id'));
        }
    }

    /** @param list<Listed> $some */
    private function came(ServerBox $box, ServerFolder $folder, array $some): void
    {
        // What was put there from here is noted already.
        $noted = array_fill_keys(array_map(
            static fn (mixed $uid): int => is_numeric($uid) ? (int) $uid : 0,
            $this->connection->fetchFirstColumn(
                'SELECT uid FROM server_copy WHERE folder_id = ? AND uid IN (SELECT value FROM json_each(?))',
                [$folder->id, json_encode(array_map(static fn (Listed $one): int => $one->uid, $some), \JSON_THROW_ON_ERROR)],
            ),
        ), true);
        $isAnyMissed = $this->copies->isAnyMissed($box);
        foreach ($some as $one) {
            if ($one->isDeleted() || isset($noted[$one->uid])) {
                continue;
            }
            $missed = !$isAnyMissed || '' === $one->header ? false : $this->connection->fetchAssociative(
                'SELECT id, message_id FROM server_copy WHERE account_id = ? AND mailbox = ? AND missed > 0 AND header = ? AND size = ?
                 ORDER BY folder_id = ? DESC, id LIMIT 1',
                [...$box->key(), $one->header, $one->size, $folder->id],
            );
            if (false !== $missed) {
                $row = new Row($missed);
                $this->connection->executeStatement(
                    'UPDATE server_copy SET folder_id = ?, uid = ?, seen = ?, missed = 0,
                        state = CASE WHEN state = \'unwanted\' AND ? THEN \'wanted\' ELSE state END WHERE id = ?',
                    [$folder->id, $one->uid, $one->isSeen() ? 1 : 0, $folder->isTakenIn ? 1 : 0, $row->int('id')],
                );
                $this->copies->mark($box, $row->stringOrNull('message_id'));
                continue;
            }
            $mayBeMissed = !$folder->isTakenIn && false !== $this->connection->fetchOne(
                'SELECT 1 FROM server_copy WHERE account_id = ? AND mailbox = ? AND missed > 0 AND size = ? LIMIT 1',
                [...$box->key(), $one->size],
            );
            $this->connection->executeStatement(
                'INSERT INTO server_copy (account_id, mailbox, folder_id, uid, header, size, came_at, state, seen, answered)
                 VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
                [
                    ...$box->key(), $folder->id, $one->uid, $one->header, $one->size,
                    StoredNow::of($one->at ?? new \DateTimeImmutable('@0')),
                    $folder->isTakenIn || $mayBeMissed ? 'wanted' : 'unwanted', $one->isSeen() ? 1 : 0,
                    $one->isAnswered() ? 1 : 0,
                ],
            );
        }
        if ([] !== $some) {
            $this->connection->executeStatement(
                'UPDATE server_folder SET next = ? WHERE id = ?',
                [$some[\count($some) - 1]->uid + 1, $folder->id],
            );
        }
    }
}
