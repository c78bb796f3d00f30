<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\InStep\FolderRoles;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Server\Mailroom\Imap\FolderStatus;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\Imap\NotDone;
use ZippyTray\Server\Store\Row;

/**
 * The folders of a mailbox, kept as the server lists them.
 */
final readonly class ServerFolders
{
    /** In which order they are looked at: what leaves the inbox is found again in those behind it. */
    private const ORDER = [
        FolderRole::Inbox, FolderRole::Away, FolderRole::Archive, FolderRole::Bin, FolderRole::Spam, FolderRole::Sent, FolderRole::Other,
    ];

    private const USE = ['archive' => '\Archive', 'sent' => '\Sent', 'bin' => '\Trash', 'spam' => '\Junk'];

    public function __construct(private Connection $connection, private Transaction $transaction)
    {
    }

    /** @return array<string, ServerFolder> by their names */
    public function of(ServerBox $box): array
    {
        $folders = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT * FROM server_folder WHERE account_id = ? AND mailbox = ?',
            $box->key(),
        ) as $columns) {
            $folder = ServerFolder::of(new Row($columns));
            $folders[$folder->name] = $folder;
        }

        return $folders;
    }

    /**
     * Takes over what the server lists. A folder that was renamed keeps what is known of it; of one that is gone, what lay in it is
     * missed from now on.
     *
     * @param list<FolderStatus> $statuses
     *
     * @return list<array{ServerFolder, FolderStatus}> those that matter, in the order in which they are looked at
     */
    public function follow(ServerBox $box, array $statuses): array
    {
        $known = $this->of($box);
        $listed = $shut = [];
        foreach ($statuses as $status) {
            if ($status->canBeOpened()) {
                $listed[$status->name] = $status;
            } elseif ($status->isShut()) {
                $shut[$status->name] = true;
            }
        }
        $this->transaction->run(fn () => $this->takeOver($box, $known, $listed, $shut));
        $known = $this->of($box);
        $matter = [];
        foreach ($known as $name => $folder) {
            $at = array_search($folder->role, self::ORDER, true);
            if (isset($listed[$name]) && false !== $at) {
                $matter[\sprintf('%02d %s', $at, $name)] = [$folder, $listed[$name]];
            }
        }
        ksort($matter, \SORT_STRING);

        return array_values($matter);
    }

    /**
     * @param list<FolderStatus> $statuses
     *
     * @return list<ServerFolder> those that were looked at before, and of which the server does not say now how it stands with them
     */
    public function shut(ServerBox $box, array $statuses): array
    {
        $shut = array_column(array_filter($statuses, static fn (FolderStatus $one): bool => $one->isShut()), 'name');

        return array_values(array_intersect_key($this->of($box), array_flip($shut)));
    }

    /**
     * @param array<string, ServerFolder> $known
     * @param array<string, FolderStatus> $listed
     * @param array<string, true>         $shut   of which nothing is known now: they stay as they were
     */
    private function takeOver(ServerBox $box, array $known, array $listed, array $shut): void
    {
        $kept = array_map(static fn (ServerFolder $one): FolderRole => $one->role, array_intersect_key($known, $shut));
        $known = array_diff_key($known, $shut);
        $roles = array_flip(FolderStatus::roles(array_values($listed)));
        // What the person said goes before what was found out.
        foreach (array_intersect_key($box->settings->folders, $listed) as $name => $chosen) {
            if (isset($chosen['role'])) {
                unset($roles[(string) array_search($chosen['role'], $roles, true)]);
                $roles[$name] = $chosen['role'];
            }
        }
        // One that was renamed may have left another one of its old name behind.
        $anew = array_filter($known, static fn (ServerFolder $one): bool => ($listed[$one->name]->validity ?? 0) !== $one->validity);
        $taken = $kept + array_map(static fn (ServerFolder $one): FolderRole => $one->role, array_diff_key($known, $anew));
        foreach (array_diff_key($listed, $known) as $name => $status) {
            $renamed = self::renamed($anew, $status);
            $role = FolderRole::tryFrom($roles[$name] ?? '');
            if (null !== $renamed) {
                unset($anew[$renamed->name], $known[$renamed->name]);
                $role ??= \in_array($renamed->role->value, $roles, true) ? FolderRole::Other : $renamed->role;
                $this->connection->executeStatement(
                    'UPDATE server_folder SET name = ?, role = ? WHERE id = ?',
                    [$name, $role->value, $renamed->id],
                );
            } else {
                $this->add($box, $status, \in_array($role, $taken, true) ? FolderRole::Other : $role ?? FolderRole::Other);
            }
            $taken[] = $role;
        }
        // Whose name was taken over by another one.
        foreach (array_diff_key($listed, $known, $this->of($box)) as $name => $status) {
            $this->add($box, $status, FolderRole::tryFrom($roles[$name] ?? '') ?? FolderRole::Other);
        }
        $gone = array_diff_key($known, $listed);
        foreach ($gone as $folder) {
            $this->miss($box, $folder);
            $this->connection->executeStatement('DELETE FROM server_folder WHERE id = ?', [$folder->id]);
        }
    }

    private function add(ServerBox $box, FolderStatus $status, FolderRole $role): void
    {
        $isTakenIn = $box->settings->folders[$status->name]['takenIn']
            ?? \in_array($role, [FolderRole::Inbox, FolderRole::Away, FolderRole::Archive, FolderRole::Sent], true);
        // What lay in others before anything was kept in step is of no interest.
        $from = $isTakenIn || $box->looks > 0 ? [1, 0, 0] : [$status->next, $status->modSeq, $status->messages];
        $this->connection->executeStatement(
            'INSERT INTO server_folder (account_id, mailbox, name, role, taken_in, validity, next, mod_seq, messages)
             VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
            [...$box->key(), $status->name, $role->value, $isTakenIn ? 1 : 0, $status->validity, ...$from],
        );
    }

    /**
     * All that lies in it has no number any more: it is missed until it is found again.
     */
    public function miss(ServerBox $box, ServerFolder $folder): void
    {
        $this->connection->executeStatement(
            'UPDATE server_copy SET uid = NULL, missed = CASE WHEN missed = 0 THEN ? ELSE missed END WHERE folder_id = ?',
            [$box->looks + 1, $folder->id],
        );
        $this->connection->executeStatement(
            'UPDATE server_folder SET next = 1, mod_seq = 0, messages = 0 WHERE id = ?',
            [$folder->id],
        );
    }

    /**
     * The folder that stands for something; one that is missing is made.
     *
     * @throws \ZippyTray\Server\Mailroom\In\NotReached
     * @throws NotDone
     */
    public function for(ServerBox $box, FolderRole $role, ImapConnection $on): ServerFolder
    {
        foreach ($this->of($box) as $folder) {
            if ($folder->role === $role) {
                return $folder;
            }
        }
        [$name, $there] = self::make($on, $role);
        $this->connection->executeStatement(
            'INSERT INTO server_folder (account_id, mailbox, name, role, taken_in, validity) VALUES (?, ?, ?, ?, 0, ?)
             ON CONFLICT (account_id, mailbox, name) DO UPDATE SET role = excluded.role',
            [...$box->key(), $name, $role->value, $there->validity ?? 0],
        );

        return $this->of($box)[$name];
    }

    /**
     * Makes the folder that stands for something, unless there is one of its name.
     *
     * @return array{string, FolderStatus|null} its name, and how it stands with it
     *
     * @throws \ZippyTray\Server\Mailroom\In\NotReached
     * @throws NotDone
     */
    public static function make(ImapConnection $on, FolderRole $role): array
    {
        $folders = $on->folders();
        $name = FolderRoles::made($role, $on->prefix(), array_map(
            static fn (FolderStatus $one): array => ['name' => $one->name, 'delimiter' => $one->delimiter],
            $folders,
        ));
        if (!\in_array($name, array_column($folders, 'name'), true)) {
            try {
                $on->create($name, self::USE[$role->value] ?? '');
            } catch (NotDone $problem) {
                throw new NotDone($problem->getMessage(), NotDone::OTHER_FOLDER, $problem);
            }
        }

        return [$name, $on->folder($name)];
    }

    /**
     * A folder keeps its UIDVALIDITY when it is renamed (RFC 9051, 6.3.6).
     *
     * @param array<string, ServerFolder> $gone
     */
    private static function renamed(array $gone, FolderStatus $status): ?ServerFolder
    {
        $same = array_values(array_filter(
            $gone,
            static fn (ServerFolder $one): bool => FolderRole::Inbox !== $one->role && $one->validity === $status->validity
                && $one->next <= $status->next,
        ));

        return 1 === \count($same) ? $same[0] : null;
    }
}
