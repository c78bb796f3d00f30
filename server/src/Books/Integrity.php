<?php

declare(strict_types=1);

namespace ZippyTray\Server\Books;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\AsTaggedItem;

#[AsTaggedItem(priority: 10)]
final readonly class Integrity implements BookCheck
{
    public function __construct(private Connection $connection)
    {
    }

    public function claim(): string
    {
        return 'The file is whole, and everything that is referred to is there.';
    }

    public function look(): Found
    {
        $found = new Found($this->number('SELECT COUNT(*) FROM sqlite_master'));
        foreach ($this->connection->fetchFirstColumn('PRAGMA integrity_check(50)') as $said) {
            'ok' === $said || $found->wrong(\is_string($said) ? $said : '');
        }
        foreach ($this->connection->fetchAllAssociative('PRAGMA foreign_key_check') as $row) {
            $found->wrong('A row refers to something that is not there: '.json_encode($row));
        }

        return $found;
    }

    public function repair(): void
    {
        $this->connection->executeStatement('REINDEX');
    }

    private function number(string $query): int
    {
        $number = $this->connection->fetchOne($query);

        return is_numeric($number) ? (int) $number : 0;
    }
}
