<?php

declare(strict_types=1);

namespace ZippyTray\Server\Books;

use Doctrine\DBAL\Connection;

/**
 * Where a conversation is, what of that is known besides, and that all places together hold all conversations.
 */
final readonly class EachConversationInOnePlace implements BookCheck
{
    public function __construct(private Connection $connection)
    {
    }

    public function claim(): string
    {
        return 'Each conversation is in one place, and the places together hold all of them.';
    }

    public function look(): Found
    {
        $all = $this->connection->fetchOne('SELECT COUNT(*) FROM conversation');
        $found = new Found(is_numeric($all) ? (int) $all : 0);
        $places = array_sum(array_map(
            static fn (mixed $count): int => is_numeric($count) ? (int) $count : 0,
            $this->connection->fetchFirstColumn(
                "SELECT COUNT(*) FROM conversation WHERE place IN ('tray', 'away', 'archive', 'bin', 'blocked') GROUP BY place",
            ),
        ));
        if ($places !== $found->seen) {
            $found->wrong(\sprintf('There are %d conversations, and the places hold %d.', $found->seen, $places));
        }

        return $found
            ->allWrong(
                'It is away, and nothing says until when',
                $this->connection->fetchFirstColumn(
                    "SELECT id FROM conversation WHERE place = 'away' AND (away_until IS NULL OR away_zone IS NULL OR away_reason IS NULL)",
                ),
            )
            ->allWrong(
                'It has a moment of return, and is not away',
                $this->connection->fetchFirstColumn("SELECT id FROM conversation WHERE place <> 'away' AND away_until IS NOT NULL"),
            )
            ->allWrong(
                'It is in the bin, and nothing says since when',
                $this->connection->fetchFirstColumn("SELECT id FROM conversation WHERE place = 'bin' AND binned_at IS NULL"),
            );
    }

    public function repair(): void
    {
    }
}
