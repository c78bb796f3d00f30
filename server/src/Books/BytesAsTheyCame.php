<?php

declare(strict_types=1);

namespace ZippyTray\Server\Books;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Server\Store\Row;

final readonly class BytesAsTheyCame implements BookCheck
{
    public function __construct(private Connection $connection, private MessageReader $reader)
    {
    }

    public function claim(): string
    {
        return 'The bytes of each message are those that came, by their size and by what the message is recognised by.';
    }

    public function look(): Found
    {
        $found = new Found();
        foreach ($this->connection->iterateAssociative(
            'SELECT m.id, m.size, m.fingerprint, s.source FROM message m JOIN message_source s ON s.message_id = m.id',
        ) as $columns) {
            $row = new Row($columns);
            ++$found->seen;
            $raw = @gzuncompress($row->string('source'));
            if (false === $raw || \strlen($raw) !== $row->int('size')) {
                $found->wrong('Its bytes cannot be read, or are too few or too many: '.$row->string('id'));
                continue;
            }
            if ($this->reader->fingerprint($raw) !== $row->string('fingerprint')) {
                $found->wrong('Its bytes are not those that came: '.$row->string('id'));
            }
        }

        return $found;
    }

    public function repair(): void
    {
    }
}
