<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\InStep\Patience;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * The mailboxes on servers, and how it went with each the last time.
 */
final readonly class ServerBoxes
{
    /** After so many refusals of the password no more is tried: the server may shut the person out. */
    public const REFUSALS = 3;

    public function __construct(private Accounts $accounts, private Connection $connection, private ClockInterface $clock)
    {
    }

    /** @return list<ServerBox> all that are not paused */
    public function atWork(): array
    {
        $boxes = [];
        foreach ($this->accounts->all() as $account) {
            foreach ($account->mailboxes() as $mailbox) {
                $box = $this->of($account, $mailbox->position);
                null === $box || $boxes[] = $box;
            }
        }

        return $boxes;
    }

    /** @return ServerBox|null null when it is none, is paused, or its password cannot be read any more */
    public function of(Account $account, int $number): ?ServerBox
    {
        $server = $account->mailbox($number)?->server();
        $columns = null === $server ? false : $this->connection->fetchAssociative(
            'SELECT * FROM server_state WHERE account_id = ? AND mailbox = ?',
            [$account->id, $number],
        );
        if (null === $server || false === $columns) {
            return null;
        }
        $row = new Row($columns);
        $at = $row->stringOrNull('look_at');

        return $row->bool('paused') ? null : new ServerBox(
            $account,
            $number,
            $server,
            BoxSettings::fromState($row->json('settings')),
            $row->int('looks'),
            null === $at || $at <= StoredNow::of($this->clock->now()),
        );
    }

    /** @return BoxSettings|null null when it was never connected */
    public function settings(Account $account, int $number): ?BoxSettings
    {
        $settings = $this->connection->fetchOne(
            'SELECT settings FROM server_state WHERE account_id = ? AND mailbox = ?',
            [$account->id, $number],
        );

        return \is_string($settings) ? BoxSettings::fromState((array) json_decode($settings, true)) : null;
    }

    /** Begins to keep it in step; one that is kept already is tried again, with its settings. */
    public function begin(Account $account, int $number, BoxSettings $settings): void
    {
        $this->connection->executeStatement(
            'INSERT INTO server_state (account_id, mailbox, settings) VALUES (?, ?, ?) ON CONFLICT (account_id, mailbox) DO UPDATE SET
                look_at = NULL, failures = 0, refusals = 0, problem = \'\', paused = 0',
            [$account->id, $number, json_encode(['folders' => (object) $settings->folders] + $settings->state(), \JSON_THROW_ON_ERROR)],
        );
    }

    /**
     * Only what changes is written: the person and the worker may choose different things at the same time.
     *
     * @param array<string, mixed> $changes by the names of BoxSettings; null is the same as not chosen
     */
    public function change(Account $account, int $number, array $changes): void
    {
        $this->connection->executeStatement(
            'UPDATE server_state SET settings = json_patch(settings, ?) WHERE account_id = ? AND mailbox = ?',
            [json_encode($changes, \JSON_THROW_ON_ERROR), $account->id, $number],
        );
    }

    /**
     * What folders stand for, and whether what lies there is taken in; that holds from the next look on.
     *
     * @param array<string, array{role: string, takenIn: bool}> $folders by their names
     */
    public function choose(Account $account, int $number, array $folders): void
    {
        // As an object, also when they are called by numbers.
        [] === $folders || $this->change($account, $number, ['folders' => (object) $folders]);
        foreach ($folders as $name => ['role' => $role, 'takenIn' => $isTakenIn]) {
            $known = $this->connection->fetchAssociative(
                "SELECT id, taken_in FROM server_folder WHERE account_id = ? AND mailbox = ? AND name = ? AND role <> 'inbox'",
                [$account->id, $number, $name],
            );
            if (false === $known) {
                continue;
            }
            $id = (new Row($known))->int('id');
            // Of those that stand for something there is one.
            FolderRole::Other->value === $role || $this->connection->executeStatement(
                'UPDATE server_folder SET role = ? WHERE account_id = ? AND mailbox = ? AND role = ? AND id <> ?',
                [FolderRole::Other->value, $account->id, $number, $role, $id],
            );
            $this->connection->executeStatement(
                'UPDATE server_folder SET role = ?, taken_in = ? WHERE id = ?',
                [$role, $isTakenIn ? 1 : 0, $id],
            );
            if ((new Row($known))->bool('taken_in') !== $isTakenIn) {
                $this->connection->executeStatement(
                    "UPDATE server_copy SET state = ? WHERE folder_id = ? AND state IN ('wanted', 'unwanted')",
                    [$isTakenIn ? 'wanted' : 'unwanted', $id],
                );
                // Before it was wanted it may have been listed only from a number on.
                !$isTakenIn || $this->connection->executeStatement('UPDATE server_folder SET next = 1, messages = -1 WHERE id = ?', [$id]);
            }
        }
    }

    /** All of somebody are to be looked at in the next round, also those that were paused. */
    public function lookNow(Account $account): void
    {
        // Who says "Go on" after much was gone there at once means that it may be.
        $this->connection->executeStatement(
            "UPDATE server_state SET settings = CASE WHEN paused AND refusals < ? THEN json_set(settings, '$.mayVanish', json('true'))
                ELSE settings END WHERE account_id = ?",
            [self::REFUSALS, $account->id],
        );
        $this->connection->executeStatement(
            'UPDATE server_state SET look_at = NULL, paused = 0, refusals = CASE WHEN paused THEN 0 ELSE refusals END WHERE account_id = ?',
            [$account->id],
        );
    }

    /**
     * @param string $problem     what could not be looked at; empty: nothing
     * @param bool   $isUncertain whether something may lie where it could not be looked at: then nothing counts as gone by this look, for a
     *                            day at most
     */
    public function looked(ServerBox $box, string $problem = '', bool $isUncertain = false): void
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $since = $box->settings->uncertainSince;
        if ($isUncertain !== (null !== $since)) {
            $since = $isUncertain ? StoredNow::of($now) : null;
            $this->change($box->account, $box->number, ['uncertainSince' => $since]);
        }
        $isHeld = null !== $since && $since > StoredNow::of($now->modify('-1 day'));
        $this->connection->executeStatement(
            'UPDATE server_state SET looks = looks + ?, looked_at = ?, look_at = ?, failures = 0, refusals = 0, problem = ?
             WHERE account_id = ? AND mailbox = ?',
            [
                $isHeld ? 0 : 1, StoredNow::of($now), StoredNow::of($now->modify("+{$box->settings->every} minutes")), $problem,
                ...$box->key(),
            ],
        );
    }

    /** @param bool $isRefused whether the server did not take the password */
    public function failed(ServerBox $box, string $problem, bool $isRefused): void
    {
        $column = $isRefused ? 'refusals' : 'failures';
        $this->connection->executeStatement(
            "UPDATE server_state SET {$column} = {$column} + 1, problem = ? WHERE account_id = ? AND mailbox = ?",
            [$problem, ...$box->key()],
        );
        $failures = $this->connection->fetchOne("SELECT {$column} FROM server_state WHERE account_id = ? AND mailbox = ?", $box->key());
        $failures = is_numeric($failures) ? (int) $failures : 1;
        $this->connection->executeStatement(
            'UPDATE server_state SET look_at = ?, paused = ? WHERE account_id = ? AND mailbox = ?',
            [
                StoredNow::of(Patience::until($failures, \DateTimeImmutable::createFromInterface($this->clock->now()))),
                $isRefused && $failures >= self::REFUSALS ? 1 : 0,
                ...$box->key(),
            ],
        );
    }

    /** Nothing happens to it any more until the person says so. */
    public function pause(ServerBox $box, string $problem): void
    {
        $this->connection->executeStatement(
            'UPDATE server_state SET paused = 1, problem = ? WHERE account_id = ? AND mailbox = ?',
            [$problem, ...$box->key()],
        );
    }

    /** Nothing is kept in step with it any more. There nothing changes, and here everything stays. */
    public function forget(Account $account, int $number): void
    {
        foreach (['server_wish', 'server_copy', 'server_folder', 'server_state'] as $table) {
            $this->connection->executeStatement("DELETE FROM {$table} WHERE account_id = ? AND mailbox = ?", [$account->id, $number]);
        }
        // Nobody goes through them when none is left.
        $this->connection->executeStatement(
            'DELETE FROM server_mark WHERE account_id = ?
                AND NOT EXISTS (SELECT 1 FROM server_state s WHERE s.account_id = server_mark.account_id)',
            [$account->id],
        );
    }
}
