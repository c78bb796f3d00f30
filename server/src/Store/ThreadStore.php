<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use ZippyTray\Core\Mail\ThreadIndex;

final readonly class ThreadStore implements ThreadIndex
{
    public function __construct(private Connection $connection)
    {
    }

    public function conversations(string $accountId, array $messageIds): array
    {
        /** @var list<string> $ids identifiers of version 7 sort by age */
        $ids = $this->connection->fetchFirstColumn(
            'SELECT DISTINCT conversation_id FROM thread_id WHERE account_id = :account AND header IN (:headers) ORDER BY conversation_id',
            ['account' => $accountId, 'headers' => $messageIds],
            ['headers' => ArrayParameterType::STRING],
        );

        return $ids;
    }

    public function put(string $accountId, array $messageIds, string $conversationId): void
    {
        foreach ($messageIds as $header) {
            $this->connection->executeStatement(
                'INSERT INTO thread_id (account_id, header, conversation_id) VALUES (?, ?, ?) ON CONFLICT DO NOTHING',
                [$accountId, $header, $conversationId],
            );
        }
    }
}
