<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\CalendarMail;
use ZippyTray\Core\Mail\EmailId;

final readonly class CalendarMailStore implements CalendarMail
{
    public function __construct(private Connection $connection)
    {
    }

    public function want(AccountId $accountId, EmailId $messageId): void
    {
        $this->connection->executeStatement(
            'INSERT OR IGNORE INTO calendar_mail (message_id, account_id) VALUES (?, ?)',
            [$messageId->text, $accountId->text],
        );
    }

    /** @return list<array{account: string, message: string}> in the order of their arrival */
    public function wanted(int $most): array
    {
        /** @var list<array{account: string, message: string}> $wanted */
        $wanted = $this->connection->fetchAllAssociative(
            'SELECT account_id AS account, message_id AS message FROM calendar_mail ORDER BY rowid LIMIT '.$most,
        );

        return $wanted;
    }

    public function settled(EmailId $messageId): void
    {
        $this->connection->delete('calendar_mail', ['message_id' => $messageId->text]);
    }
}
