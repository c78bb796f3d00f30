<?php

declare(strict_types=1);

namespace ZippyTray\Server\Books;

use Doctrine\DBAL\Connection;

final readonly class EachMessageOnce implements BookCheck
{
    public function __construct(private Connection $connection)
    {
    }

    public function claim(): string
    {
        return 'Each message lies in one conversation, of its own account.';
    }

    public function look(): Found
    {
        $count = $this->connection->fetchOne('SELECT COUNT(*) FROM message');

        return (new Found(is_numeric($count) ? (int) $count : 0))
            ->allWrong(
                'A message lies in no conversation, or in several',
                $this->connection->fetchFirstColumn(
                    'SELECT m.id FROM message m LEFT JOIN conversation_message x ON x.message_id = m.id GROUP BY m.id HAVING '
                        .'COUNT(x.message_id) <> 1',
                ),
            )
            ->allWrong(
                'A message lies in a conversation of somebody else',
                $this->connection->fetchFirstColumn(
                    'SELECT m.id FROM message m JOIN conversation_message x ON x.message_id = m.id JOIN conversation c ON c.id = '
                        .'x.conversation_id WHERE c.account_id <> m.account_id',
                ),
            )
            ->allWrong(
                'A message has no bytes',
                $this->connection->fetchFirstColumn(
                    'SELECT m.id FROM message m LEFT JOIN message_source s ON s.message_id = m.id WHERE s.message_id IS NULL',
                ),
            );
    }

    public function repair(): void
    {
    }
}
