<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\DBAL\ParameterType;
use Psr\Log\LoggerInterface;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\AbstractSessionHandler;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use ZippyTray\Server\Account\Account;

/**
 * Sessions in the database, so that a server that is killed signs nobody out, and so that a person sees where they are
 * signed in. Of the name of a session only a hash is kept.
 */
final class SessionStore extends AbstractSessionHandler
{
    /** Seconds after which one that nobody uses ends. */
    private const LIFETIME = 30 * 24 * 3600;

    /** Seconds within which its use is not noted again. */
    private const NOTED = 600;

    public function __construct(
        private readonly Connection $connection,
        private readonly TokenStorageInterface $tokens,
        private readonly RequestStack $requests,
        private readonly LoggerInterface $logger,
    ) {
    }

    protected function doRead(#[\SensitiveParameter] string $sessionId): string
    {
        $data = $this->connection->fetchOne('SELECT data FROM session WHERE id = ? AND expires_at > ?', [self::hash($sessionId), time()]);

        return \is_string($data) ? $data : '';
    }

    protected function doWrite(#[\SensitiveParameter] string $sessionId, string $data): bool
    {
        $user = $this->tokens->getToken()?->getUser();
        $this->connection->executeStatement(
            'INSERT INTO session (id, account_id, data, expires_at, begun_at, used_at, browser) VALUES (?, ?, ?, ?, ?, ?, ?)
             ON CONFLICT (id) DO UPDATE SET account_id = excluded.account_id, data = excluded.data, expires_at = excluded.expires_at,
                used_at = excluded.used_at',
            [
                self::hash($sessionId),
                $user instanceof Account ? $user->id : null,
                $data,
                time() + self::LIFETIME,
                self::now(),
                self::now(),
                mb_strcut(mb_scrub((string) $this->requests->getMainRequest()?->headers->get('User-Agent')), 0, 300),
            ],
            [2 => ParameterType::LARGE_OBJECT, 3 => ParameterType::INTEGER],
        );

        return true;
    }

    public function updateTimestamp(#[\SensitiveParameter] string $sessionId, string $data): bool
    {
        // Only who has to write waits for others that do, and whoever cannot is signed in nevertheless.
        $isOld = false !== $this->connection->fetchOne(
            'SELECT 1 FROM session WHERE id = ? AND used_at < ?',
            [self::hash($sessionId), gmdate('Y-m-d\TH:i:s\Z', time() - self::NOTED)],
        );
        try {
            if ($isOld) {
                $this->connection->executeStatement(
                    'UPDATE session SET used_at = ?, expires_at = ? WHERE id = ?',
                    [self::now(), time() + self::LIFETIME, self::hash($sessionId)],
                );
            }
        } catch (DatabaseProblem $problem) {
            $this->logger->info('That a session is used could not be noted.', ['exception' => $problem]);
        }

        return true;
    }

    protected function doDestroy(#[\SensitiveParameter] string $sessionId): bool
    {
        $this->connection->executeStatement('DELETE FROM session WHERE id = ?', [self::hash($sessionId)]);

        return true;
    }

    public function close(): bool
    {
        return true;
    }

    public function gc(int $max_lifetime): int
    {
        return (int) $this->connection->executeStatement('DELETE FROM session WHERE expires_at < ?', [time()]);
    }

    /** @return list<array{id: string, browser: string, begunAt: string, usedAt: string, current: bool}> the one used last first */
    public function of(Account $account, #[\SensitiveParameter] string $currentId): array
    {
        return array_map(static function (array $columns) use ($currentId): array {
            $row = new Row($columns);

            return [
                'id' => $row->string('id'),
                'browser' => $row->string('browser'),
                'begunAt' => $row->string('begun_at'),
                'usedAt' => $row->string('used_at'),
                'current' => $row->string('id') === self::hash($currentId),
            ];
        }, $this->connection->fetchAllAssociative('SELECT id, browser, begun_at, used_at FROM session WHERE account_id = ? AND expires_at '
            .'> ? ORDER BY used_at DESC, id', [$account->id, time()]));
    }

    /**
     * @param string $id as of() gave it
     *
     * @return bool whether there was such a one
     */
    public function end(Account $account, string $id): bool
    {
        return 0 < $this->connection->executeStatement('DELETE FROM session WHERE account_id = ? AND id = ?', [$account->id, $id]);
    }

    public function endOthers(Account $account, #[\SensitiveParameter] string $currentId): void
    {
        $this->connection->executeStatement('DELETE FROM session WHERE account_id = ? AND id <> ?', [$account->id, self::hash($currentId)]);
    }

    private static function hash(#[\SensitiveParameter] string $sessionId): string
    {
        return hash('sha256', $sessionId);
    }

    private static function now(): string
    {
        return gmdate('Y-m-d\TH:i:s\Z');
    }
}
