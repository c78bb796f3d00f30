<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Label;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Label\ShownLabels;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WhereNow;

/**
 * The labels that somebody has, what bears them, and what of it is in the tray.
 */
final readonly class LabelRows
{
    /** What a conversation bears, as JSON, for a query of c; see on(). */
    public const BORNE = '(SELECT json_group_array(json_array(x.label_id, x.since)) FROM conversation_label x '
        .'WHERE x.conversation_id = c.id)';

    public function __construct(private Connection $connection, private StoredNow $now)
    {
    }

    public function shown(AccountId $accountId): ShownLabels
    {
        return new ShownLabels(array_map(static function (array $columns) use ($accountId): Label {
            $row = new Row($columns);

            return Label::revived(new LabelId($row->string('id')), $accountId, [
                'name' => $row->string('name'),
                'colour' => $row->string('colour'),
                'untilDealt' => $row->bool('until_dealt'),
                'into' => $row->stringOrNull('into_id'),
                'deleted' => $row->bool('deleted'),
            ]);
        }, $this->connection->fetchAllAssociative('SELECT * FROM label WHERE account_id = ?', [$accountId])));
    }

    /**
     * @param Row $conversation with BORNE as borne
     *
     * @return list<LabelView> by name
     */
    public static function on(Row $conversation, ShownLabels $shown): array
    {
        $standing = [];
        $deals = true === AdvisedDecision::tryFrom($conversation->string('decided_as'))?->dealsWith();
        foreach ($conversation->json('borne') as $borne) {
            [$id, $since] = \is_array($borne) ? array_pad(array_values($borne), 2, '') : ['', ''];
            $label = \is_string($id) ? $shown->of($id) : null;
            $isDealt = $deals && $conversation->string('decided_at') > $since;
            if (null !== $label && !($isDealt && $label->isUntilDealt())) {
                $standing[] = $label->id->text;
            }
        }

        return array_map(LabelView::of(...), $shown->borne($standing, false));
    }

    /**
     * The condition that a conversation c bears the label, with its parameters besides :account. It looks at no more than bears it.
     *
     * @return array{string, array<string, string>}
     */
    public function bearing(AccountId $accountId, LabelId $id): array
    {
        $shown = $this->shown($accountId);

        return [
            'c.id IN (SELECT x.conversation_id FROM conversation_label x WHERE x.account_id = :account
                AND x.label_id IN (SELECT value FROM json_each(:labels))'
                .(true === $shown->of($id->text)?->isUntilDealt() ? ' AND NOT '.self::dealt() : '').')',
            ['labels' => json_encode($shown->shownAs($id), \JSON_THROW_ON_ERROR)],
        ];
    }

    /**
     * @return list<array{
     *     id: string, name: string, colour: Colour, untilDealt: bool, tray: int, conversations: int, tasks: int
     * }> by name; how many conversations of the tray bear each, how many in all, and how many open tasks
     */
    public function all(AccountId $accountId): array
    {
        $shown = $this->shown($accountId);
        $until = array_map(
            static fn (Label $label): array => $shown->shownAs($label->id),
            array_filter($shown->all(), static fn (Label $label): bool => $label->isUntilDealt()),
        );
        $counts = [
            'tray' => $this->count($shown, 'SELECT x.label_id, COUNT(*) FROM (SELECT c.id FROM conversation c WHERE c.account_id = :account
                AND '.WhereNow::TRAY.' UNION ALL SELECT c.id FROM conversation c WHERE c.account_id = :account AND '.WhereNow::BACK.') w
                CROSS JOIN conversation_label x ON x.conversation_id = w.id WHERE NOT (x.label_id IN (SELECT value FROM json_each(:until))
                AND '.self::dealt().') GROUP BY x.label_id', $accountId, array_merge(...$until)),
            'conversations' => $this->count(
                $shown,
                'SELECT x.label_id, COUNT(*) FROM conversation_label x WHERE x.account_id = :account
                AND NOT (x.label_id IN (SELECT value FROM json_each(:until)) AND '.self::dealt().') GROUP BY x.label_id',
                $accountId,
                array_merge(...$until)
            ),
            'tasks' => $this->count($shown, "SELECT j.value, COUNT(*) FROM task t, json_each(t.labels) j WHERE t.account_id = :account
                AND t.completed_at IS NULL AND t.labels <> '[]' GROUP BY j.value", $accountId),
        ];

        return array_map(static fn (Label $label): array => [
            'id' => $label->id->text,
            'name' => $label->name(),
            'colour' => $label->colour(),
            'untilDealt' => $label->isUntilDealt(),
            'tray' => $counts['tray'][$label->id->text] ?? 0,
            'conversations' => $counts['conversations'][$label->id->text] ?? 0,
            'tasks' => $counts['tasks'][$label->id->text] ?? 0,
        ], $shown->all());
    }

    /**
     * @param string       $query gives the id of a label, and how many
     * @param list<string> $until ids of those that stand until dealt with
     *
     * @return array<string, int> by the label that is shown
     */
    private function count(ShownLabels $shown, string $query, AccountId $accountId, array $until = []): array
    {
        $parameters = array_filter(
            ['account' => $accountId->text, 'now' => $this->now->text(), 'until' => json_encode($until, \JSON_THROW_ON_ERROR)],
            static fn (string $name): bool => str_contains($query, ':'.$name),
            \ARRAY_FILTER_USE_KEY,
        );
        $counts = [];
        foreach ($this->connection->iterateNumeric($query, $parameters) as [$id, $count]) {
            $label = \is_string($id) ? $shown->of($id) : null;
            if (null !== $label && is_numeric($count)) {
                $counts[$label->id->text] = ($counts[$label->id->text] ?? 0) + (int) $count;
            }
        }

        return $counts;
    }

    /** That what bears x was dealt with since; see Conversation::isDealtSince(). */
    private static function dealt(): string
    {
        $deals = array_map(
            static fn (AdvisedDecision $decision): string => "'{$decision->value}'",
            array_filter(AdvisedDecision::cases(), static fn (AdvisedDecision $decision): bool => $decision->dealsWith()),
        );

        return 'EXISTS (SELECT 1 FROM conversation d WHERE d.id = x.conversation_id AND d.decided_at > x.since AND d.decided_as IN ('
            .implode(', ', $deals).'))';
    }
}
