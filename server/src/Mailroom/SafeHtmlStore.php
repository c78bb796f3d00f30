<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\DBAL\ParameterType;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Mail\EmailId;

/**
 * Pages of formatted messages that were made safe once, compressed.
 */
final readonly class SafeHtmlStore
{
    public function __construct(private Connection $connection, private LoggerInterface $logger)
    {
    }

    public function find(EmailId $messageId): ?string
    {
        $kept = $this->connection->fetchOne(
            'SELECT page FROM message_page WHERE message_id = ? AND rules = ?',
            [$messageId, FormattedMail::VERSION],
        );
        $page = \is_string($kept) ? gzuncompress($kept) : false;

        return false === $page ? null : $page;
    }

    /** It can be made again: that it could not be kept is no reason not to show it. */
    public function keep(EmailId $messageId, string $page): void
    {
        try {
            $this->connection->executeStatement(
                'INSERT OR REPLACE INTO message_page (message_id, rules, page) VALUES (?, ?, ?)',
                [$messageId, FormattedMail::VERSION, gzcompress($page)],
                [ParameterType::STRING, ParameterType::STRING, ParameterType::LARGE_OBJECT],
            );
        } catch (DatabaseProblem $problem) {
            $this->logger->warning('A page could not be kept.', ['message' => $messageId, 'exception' => $problem]);
        }
    }
}
