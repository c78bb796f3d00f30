<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Mailroom\Imap\FolderAnew;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\Imap\Listed;
use ZippyTray\Server\Mailroom\Imap\NotDone;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * Does on the server what is wished, in the order in which it was wished. Before anything is done there it is noted as begun; one that is
 * found begun was perhaps done, so it is looked for first. So nothing is done twice, whenever this is stopped.
 *
 * Nothing is expunged but what was moved (by its number, after its copy is known to be there) and what was removed for good here and
 * lies in the bin there.
 */
final readonly class CarryOut
{
    /** So many times it is looked whether the server has put what was sent into its folder by itself, for about a minute. */
    private const WAITS_FOR_SENT = 2;

    public function __construct(
        private Connection $connection,
        private Wishes $wishes,
        private Copies $copies,
        private ServerFolders $folders,
        private ServerBoxes $boxes,
        private Messages $messages,
        private Transaction $transaction,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @param callable(): bool $isEnding asked before each
     *
     * @return bool whether the mailbox has to be looked at anew
     */
    public function __invoke(ServerBox $box, ImapConnection $on, callable $isEnding): bool
    {
        $isLookNeeded = false;
        for ($after = 0; !$isEnding() && null !== ($wish = $this->wishes->next($box, $after)); $after = $wish->int('id')) {
            try {
                $isDone = match ($wish->string('kind')) {
                    Wishes::MOVE => $this->move($box, $on, $wish),
                    Wishes::SEEN => $this->mark($on, $wish, ['\Seen'], 'on' === $wish->string('target')),
                    Wishes::TOLD => $this->mark(
                        $on,
                        $wish,
                        Wishes::ANSWERED === $wish->int('target') ? ['\Answered'] : ['$Forwarded'],
                        true,
                    ),
                    Wishes::APPEND => $this->append($box, $on, $wish),
                    default => throw new \LogicException('There is no such wish.'),
                };
                $isLookNeeded = $isLookNeeded || !$isDone;
            } catch (FolderAnew) {
                $isLookNeeded = true;
            } catch (NotDone $problem) {
                $this->logger->warning(
                    'The mail server would not.',
                    ['wish' => $wish->string('kind'), 'problem' => $problem->getMessage()],
                );
                $this->wishes->failed($wish, trim($problem->getMessage().' '.$problem->advice));
            }
        }
        $isEnding() || $this->removeErased($box, $on);

        return $isLookNeeded;
    }

    /** @return bool whether it was done; otherwise it is not where it was thought to be */
    private function move(ServerBox $box, ImapConnection $on, Row $wish): bool
    {
        [$role, $leaving] = explode(' ', $wish->string('target')) + [1 => '0'];
        if (Wishes::STAY === $role) {
            $isDone = $this->removeStray($box, $on, $wish);
            !$isDone || $this->wishes->done($wish->int('id'));

            return $isDone;
        }
        $role = FolderRole::from($role);
        // Another mailbox of the same conversation may have a folder for it.
        $role = FolderRole::Away === $role && !$box->settings->hasAway ? FolderRole::Archive : $role;
        $to = $this->target($box, $on, $role, $wish->int('came_from'));
        $isBegun = $wish->bool('begun');
        if (0 !== $wish->int('begun_in') && ($wish->int('begun_in') !== $to->id || $to->id === $wish->int('folder_id'))) {
            // Something else was wished when it was begun, or another program has done the same.
            !$this->removeStray($box, $on, $wish) || $this->wishes->notBegun($wish->int('id'));
            $isBegun = false;
        }
        if ($to->id === $wish->int('folder_id')) {
            $this->moved($wish, $to, $wish->int('uid'), (int) $leaving);

            return true;
        }
        // The last attempt may have come further than it could say.
        $uid = $isBegun ? $this->found($box, $on, $to, $wish) : null;
        if (null !== $uid) {
            0 === $wish->int('uid') || $on->expunge($wish->string('folder'), $wish->int('validity'), [$wish->int('uid')]);
            $this->moved($wish, $to, $uid, (int) $leaving);

            return true;
        }
        if ($isBegun) {
            // It may have come there, and another program has moved it on.
            $this->removeStray($box, $on, $wish);
        }
        if (0 === $wish->int('uid') || $wish->bool('missed')) {
            $this->wishes->drop($wish->int('copy_id'), Wishes::MOVE);

            return false;
        }
        if (!$this->isThere($on, $wish)) {
            $this->lost($box, $wish);

            return false;
        }
        $this->wishes->begin($wish->int('id'), $to->id);
        $uid = $on->move($wish->string('folder'), $wish->int('validity'), $wish->int('uid'), $to->name)
            ?? $this->found($box, $on, $to, $wish);
        if (null === $uid) {
            // It went there, and only a look can tell under which number.
            $this->lost($box, $wish);

            return false;
        }
        $this->moved($wish, $to, $uid, (int) $leaving);

        return true;
    }

    /**
     * A move that was interrupted between its two halves leaves another one of the message: where it was to go, or, when another program
     * has moved the first one meanwhile, where that went. It is removed by its number, as long as the message itself is there; what
     * somebody has filed in a folder of their own is left alone.
     *
     * @return bool whether it was seen to; otherwise the message itself has to be found first
     */
    private function removeStray(ServerBox $box, ImapConnection $on, Row $wish): bool
    {
        $folders = [];
        foreach ($this->folders->of($box) as $folder) {
            $folders[$folder->id] = $folder;
        }
        $in = $folders[$wish->int('begun_in')] ?? null;
        if (null === $in) {
            return true;
        }
        if (0 === $wish->int('uid') || $wish->bool('missed') || !$this->isThere($on, $wish)) {
            return false;
        }
        $noted = array_map(static fn (array $columns): Row => new Row($columns), $this->connection->fetchAllAssociative(
            'SELECT id, folder_id, uid FROM server_copy WHERE account_id = ? AND mailbox = ? AND uid IS NOT NULL AND header = ? AND size = ?
                AND id <> ?',
            [...$box->key(), $wish->string('header'), $wish->int('size'), $wish->int('copy_id')],
        ));
        // What was there before it was begun has nothing to do with it.
        $older = array_filter($noted, static fn (Row $one): bool => $one->int('id') <= $wish->int('begun_after'));
        $kept = [[$wish->int('folder_id'), $wish->int('uid')], ...array_map(self::place(...), $older)];
        $strays = array_filter(
            array_map(self::place(...), array_diff_key($noted, $older)),
            static fn (array $one): bool => FolderRole::Other !== ($folders[$one[0]]->role ?? FolderRole::Other),
        );
        foreach ($on->find($in->name, $in->validity, $wish->string('header'), $wish->int('size')) as $one) {
            $strays[] = [$in->id, $one->uid];
        }
        foreach (array_filter($strays, static fn (array $one): bool => !\in_array($one, $kept, true)) as [$folder, $uid]) {
            $there = isset($folders[$folder]) ? $on->some($folders[$folder]->name, $folders[$folder]->validity, [$uid])[0] ?? null : null;
            if (null !== $there && !$there->isDeleted() && $this->isSame($box, $on, $folders[$folder], $there, $wish)) {
                $on->expunge($folders[$folder]->name, $folders[$folder]->validity, [$uid]);
                $this->connection->executeStatement('DELETE FROM server_copy WHERE folder_id = ? AND uid = ?', [$folder, $uid]);
            }
        }

        return true;
    }

    /** @return array{int, int} folder and number */
    private static function place(Row $copy): array
    {
        return [$copy->int('folder_id'), $copy->int('uid')];
    }

    private function target(ServerBox $box, ImapConnection $on, FolderRole $role, int $cameFrom): ServerFolder
    {
        if (FolderRole::Other === $role || FolderRole::Archive === $role) {
            foreach ($this->folders->of($box) as $folder) {
                if ($folder->id === $cameFrom && $folder->role === $role) {
                    return $folder;
                }
            }
        }

        return $this->folders->for($box, FolderRole::Other === $role ? FolderRole::Archive : $role, $on);
    }

    /** Whether it lies under its number still: what a server says of a number could be about another message by now. */
    private function isThere(ImapConnection $on, Row $wish): bool
    {
        $there = $on->some($wish->string('folder'), $wish->int('validity'), [$wish->int('uid')]);

        return [] !== $there && !$there[0]->isDeleted()
            && $there[0]->header === $wish->string('header') && $there[0]->size === $wish->int('size');
    }

    /** Whether what lies there is the message that is wished about; of what has no Message-ID the bytes are compared. */
    private function isSame(ServerBox $box, ImapConnection $on, ServerFolder $in, Listed $there, Row $wish): bool
    {
        if ($there->header !== $wish->string('header') || $there->size !== $wish->int('size')) {
            return false;
        }
        if ('' !== $there->header) {
            return true;
        }
        try {
            $message = $this->messages->get($box->accountId(), new EmailId($wish->string('about')));
        } catch (NotFound) {
            return false;
        }

        return $this->messages->source($message) === ($on->sources($in->name, $in->validity, [$there->uid])[$there->uid] ?? null);
    }

    /** @return int|null its number in a folder, when it lies there; a message of the same name with other content is not it */
    private function found(ServerBox $box, ImapConnection $on, ServerFolder $in, Row $wish): ?int
    {
        $there = array_filter(
            $on->find($in->name, $in->validity, $wish->string('header'), $wish->int('size')),
            fn (Listed $one): bool => !$one->isDeleted() && $this->isSame($box, $on, $in, $one, $wish),
        );
        $uids = array_map(static fn (Listed $one): int => $one->uid, $there);
        rsort($uids);
        foreach ($uids as $uid) {
            if (false === $this->connection->fetchOne(
                'SELECT 1 FROM server_copy WHERE folder_id = ? AND uid = ? AND message_id <> ?',
                [$in->id, $uid, $wish->string('about')],
            )) {
                return $uid;
            }
        }

        return null;
    }

    private function lost(ServerBox $box, Row $wish): void
    {
        $this->transaction->run(function () use ($box, $wish): void {
            $this->connection->executeStatement(
                'UPDATE server_copy SET missed = ?, uid = NULL WHERE id = ?',
                [$box->looks + 1, $wish->int('copy_id')],
            );
            $this->wishes->drop($wish->int('copy_id'), Wishes::MOVE);
        });
    }

    private function moved(Row $wish, ServerFolder $to, int $uid, int $leaving): void
    {
        $this->transaction->run(function () use ($wish, $to, $uid, $leaving): void {
            // A look may have listed it there in between, as something new.
            $this->connection->executeStatement(
                'DELETE FROM server_copy WHERE folder_id = ? AND uid = ? AND id <> ?',
                [$to->id, $uid, $wish->int('copy_id')],
            );
            $this->connection->executeStatement(
                'UPDATE server_copy SET folder_id = ?, uid = ?, settled = ?, agreed = ?, came_from = ?, leaving = ?, missed = 0
                 WHERE id = ?',
                [
                    $to->id, $uid, $to->role->value, $wish->string('belongs'), $wish->int('folder_id'), $leaving, $wish->int('copy_id'),
                ],
            );
            $this->wishes->done($wish->int('id'));
        });
    }

    /** @param list<string> $flags */
    private function mark(ImapConnection $on, Row $wish, array $flags, bool $isSet): bool
    {
        if (0 === $wish->int('uid') || $wish->bool('missed') || !$this->isThere($on, $wish)) {
            $this->wishes->done($wish->int('id'));

            return false;
        }
        $on->mark($wish->string('folder'), $wish->int('validity'), $wish->int('uid'), $isSet ? $flags : [], $isSet ? [] : $flags);
        $this->transaction->run(function () use ($wish, $isSet): void {
            $isSeen = Wishes::SEEN === $wish->string('kind');
            $this->connection->executeStatement(
                'UPDATE server_copy SET seen = ?, told = told | ? WHERE id = ?',
                [$isSeen ? ($isSet ? 1 : 0) : $wish->int('seen'), $isSeen ? 0 : $wish->int('target'), $wish->int('copy_id')],
            );
            $this->wishes->done($wish->int('id'));
        });

        return true;
    }

    private function append(ServerBox $box, ImapConnection $on, Row $wish): bool
    {
        $id = $wish->string('message_id');
        try {
            $message = $this->messages->get($box->accountId(), new EmailId($id));
        } catch (NotFound) {
            $this->wishes->done($wish->int('id'));

            return true;
        }
        $role = FolderRole::from($wish->string('target'));
        $in = $this->folders->for($box, $role, $on);
        $raw = $this->messages->source($message);
        $there = $this->foundAppended($on, $in, $message, $raw, $wish->bool('begun'));
        $isSent = FolderRole::Sent === $role;
        if ($isSent && false !== $box->settings->isSentKept() && null === $there && $wish->int('failures') < self::WAITS_FOR_SENT) {
            // The server may put it there by itself, which may take a while.
            $this->wishes->failed($wish, '');

            return true;
        }
        if ($isSent && null === $box->settings->isSentKept() && !$wish->bool('begun')) {
            $this->boxes->change($box->account, $box->number, ['sentFound' => null !== $there]);
        }
        if ($isSent && true === $box->settings->keepsSent && null === $there) {
            // The person says that the server keeps it.
            $this->wishes->giveUp($box->accountId(), $box->number, $wish->int('id'));

            return true;
        }
        $this->wishes->begin($wish->int('id'));
        $uid = $there ?? $on->append($in->name, $raw, $message->own ? ['\Seen'] : [], $message->sentAt->instant)
            ?? $this->foundAppended($on, $in, $message, $raw, true);
        $this->transaction->run(function () use ($box, $wish, $in, $uid, $message, $raw, $role): void {
            if (null !== $uid) {
                $this->connection->executeStatement(
                    'DELETE FROM server_copy WHERE message_id = ? AND account_id = ? AND mailbox = ? AND missed > 0',
                    [$message->id, ...$box->key()],
                );
                $this->connection->executeStatement('DELETE FROM server_copy WHERE folder_id = ? AND uid = ?', [$in->id, $uid]);
                $this->connection->executeStatement(
                    "INSERT INTO server_copy
                        (account_id, mailbox, folder_id, uid, message_id, header, size, came_at, state, seen, settled, agreed)
                     VALUES (?, ?, ?, ?, ?, ?, ?, ?, 'here', ?, ?, ?)",
                    [
                        ...$box->key(), $in->id, $uid, $message->id, $message->messageHeader, \strlen($raw),
                        StoredNow::of($this->clock->now()), $message->own ? 1 : 0, $role->value, $wish->string('belongs'),
                    ],
                );
                $this->copies->mark($box, $message->id->text);
            }
            $this->wishes->done($wish->int('id'));
        });

        return null !== $uid;
    }

    /** @param bool $isBegun whether it may have been put there; without a Message-ID it is looked for only then, by its bytes */
    private function foundAppended(ImapConnection $on, ServerFolder $in, Message $message, string $raw, bool $isBegun): ?int
    {
        $header = $message->messageHeader;
        if ('' === $header && !$isBegun) {
            return null;
        }
        $uids = array_map(
            static fn (Listed $one): int => $one->uid,
            array_filter(
                $on->find($in->name, $in->validity, $header, \strlen($raw)),
                static fn (Listed $one): bool => !$one->isDeleted() && ('' !== $header
                    || ($on->sources($in->name, $in->validity, [$one->uid])[$one->uid] ?? null) === $raw),
            ),
        );

        return [] === $uids ? null : max($uids);
    }

    /** What was removed for good here, and lies in the bin there. */
    private function removeErased(ServerBox $box, ImapConnection $on): void
    {
        $rows = $this->connection->fetchAllAssociative(
            "SELECT c.id AS copy_id, c.uid, c.header, c.size, f.name AS folder, f.validity
             FROM server_copy c JOIN server_folder f ON f.id = c.folder_id
             WHERE c.account_id = ? AND c.mailbox = ? AND c.erased AND c.missed = 0 AND f.role = 'bin' ORDER BY c.id LIMIT 500",
            $box->key(),
        );
        foreach ($rows as $columns) {
            $row = new Row($columns);
            try {
                !$this->isThere($on, $row) || $on->expunge($row->string('folder'), $row->int('validity'), [$row->int('uid')]);
                $this->connection->executeStatement('DELETE FROM server_copy WHERE id = ?', [$row->int('copy_id')]);
            } catch (FolderAnew) {
                return;
            } catch (NotDone $problem) {
                $this->logger->warning('A message could not be removed there.', ['problem' => $problem->getMessage()]);

                return;
            }
        }
    }
}
