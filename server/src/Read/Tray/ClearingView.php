<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Tray\Clearing;
use ZippyTray\Core\Tray\ClearingOrder;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * A clearing as it stands. Instants are in UTC (RFC 3339).
 */
final readonly class ClearingView
{
    /**
     * @param int                                   $size   conversations in the tray at its beginning
     * @param list<array{kind: string, count: int}> $became what became of how many conversations, the most frequent first
     * @param int                                   $passed how many were passed over and are still undecided
     * @param float                                 $pace   seconds that the person takes for a conversation
     */
    private function __construct(
        public string $id,
        public ClearingOrder $order,
        public int $size,
        public string $startedAt,
        public ?string $endedAt,
        public int $decided,
        public array $became,
        public int $passed,
        public float $pace,
    ) {
    }

    /** @param list<Row> $rows with the columns kind and decided */
    public static function of(Clearing $clearing, array $rows, int $passed, float $pace): self
    {
        $became = array_map(static fn (Row $row): array => ['kind' => $row->string('kind'), 'count' => $row->int('decided')], $rows);

        return new self(
            $clearing->id->text,
            $clearing->order,
            $clearing->size,
            StoredNow::of($clearing->startedAt),
            null === $clearing->endedAt() ? null : StoredNow::of($clearing->endedAt()),
            array_sum(array_column($became, 'count')),
            $became,
            $passed,
            $pace,
        );
    }
}
