<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;

/**
 * The word at which other programs read somebody's agenda: whoever knows it, reads it. The database keeps its hash, by which it is found,
 * and itself only sealed, so that it can be shown again.
 */
final readonly class AgendaAddress
{
    /** Bytes; nobody guesses that. */
    private const BYTES = 24;

    public function __construct(private Connection $connection, private Accounts $accounts, private ClockInterface $clock)
    {
    }

    /** Null when there is none, or the key of the seal is another one. */
    public function of(Account $account): ?string
    {
        $word = $this->connection->fetchOne('SELECT word FROM agenda_address WHERE account_id = ?', [$account->id->text]);
        $open = \is_string($word) ? Seal::open($word) : '';

        return '' === $open ? null : $open;
    }

    /** A new one; the one before leads nowhere from now on. */
    public function renew(Account $account): string
    {
        $word = rtrim(strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_'), '=');
        $this->connection->executeStatement(
            'INSERT INTO agenda_address (account_id, hash, word, made_at) VALUES (?, ?, ?, ?)
             ON CONFLICT (account_id) DO UPDATE SET hash = excluded.hash, word = excluded.word, made_at = excluded.made_at',
            [$account->id->text, self::hash($word), Seal::close($word), $this->clock->now()->format('Y-m-d\TH:i:s\Z')],
        );

        return $word;
    }

    public function close(Account $account): void
    {
        $this->connection->executeStatement('DELETE FROM agenda_address WHERE account_id = ?', [$account->id->text]);
    }

    /** Whose agenda is read at a word; null: nobody's. */
    public function whose(#[\SensitiveParameter] string $word): ?Account
    {
        $id = $this->connection->fetchOne('SELECT account_id FROM agenda_address WHERE hash = ?', [self::hash($word)]);

        return \is_string($id) ? $this->accounts->get($id) : null;
    }

    private static function hash(#[\SensitiveParameter] string $word): string
    {
        return hash('sha256', $word);
    }
}
