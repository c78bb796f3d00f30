<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Tray\RestCheck;
use ZippyTray\Server\Account\Account;

/**
 * What is looked through before the rest of the tray is archived.
 */
final readonly class RestRows
{
    /** So many are checked at a time. */
    private const PAGE = 500;

    public function __construct(private ConversationRows $rows, private Advices $advices)
    {
    }

    /**
     * What is in the tray, a part at a time, with what archiving the rest would hold up.
     *
     * @param string $after `next` of the part before; empty for the first
     *
     * @return array{
     *     conversations: list<array{id: string, revision: int}>,
     *     held: list<array{row: ConversationRow, reason: string, because: string}>, next: string|null
     * } newest first
     */
    public function page(Account $account, string $after = ''): array
    {
        [$at, $id] = explode(' ', $after) + ['', ''];
        $later = '' === $at ? '' : ' AND c.latest_at <= :at AND (c.latest_at < :at OR c.id > :id)';
        $few = " {$later} ORDER BY c.latest_at DESC, c.id LIMIT ".self::PAGE;
        $ids = \sprintf('SELECT * FROM (%s) UNION ALL SELECT * FROM (%s)', ConversationRows::OF_TRAY.$few, ConversationRows::BACK.$few);
        $keys = $this->rows->ids(
            "SELECT c.latest_at || ' ' || c.id FROM conversation c WHERE c.id IN ({$ids})
                ORDER BY c.latest_at DESC, c.id LIMIT ".self::PAGE,
            $account,
            ['at' => $at, 'id' => $id],
        );
        $ids = array_map(static fn (string $key): string => explode(' ', $key)[1] ?? '', $keys);
        $weighed = $this->advices->weighed($account, $ids);
        $conversations = $held = [];
        foreach ($this->rows->some($account, $ids, $weighed) as $row) {
            $check = RestCheck::of(($weighed[$row->id] ?? null)?->advice, $row->returned, $row->trouble);
            $conversations[] = ['id' => $row->id, 'revision' => $row->revision];
            null === $check || $held[] = ['row' => $row, 'reason' => $check->reason, 'because' => $check->because->value];
        }

        return ['conversations' => $conversations, 'held' => $held, 'next' => \count($keys) < self::PAGE ? null : end($keys)];
    }
}
