<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Task\TaskProposal;
use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Tray\Advices;
use ZippyTray\Server\Store\Ports\FindingsStore;
use ZippyTray\Server\Store\Row;

/**
 * What a task of a conversation would be, wherever it is made: in the tray, on the cards, by a drop on a day.
 */
final readonly class Proposals
{
    public function __construct(
        private Connection $connection,
        private FindingsStore $findings,
        private Advices $advices,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param list<string> $conversationIds
     *
     * @return array<string, ProposalView> by conversation; without those of which nothing has been read yet
     */
    public function of(Account $account, array $conversationIds): array
    {
        return $this->from($account, $this->advices->of($account, $conversationIds));
    }

    /**
     * @param array<string, Advice> $advices by conversation
     *
     * @return array<string, ProposalView>
     */
    public function from(Account $account, array $advices): array
    {
        $newest = $this->newest(array_map(strval(...), array_keys($advices)));
        $found = $this->findings->of($account, array_values($newest));
        $lists = $this->lists(array_map(strval(...), array_keys($advices)));
        $speaker = $account->profile->speaker($this->clock->now());
        $proposals = [];
        foreach ($advices as $id => $advice) {
            $items = $found[$newest[$id] ?? '']->items ?? [];
            $proposals[$id] = ProposalView::of(
                TaskProposal::of($advice, $items, $speaker, $account->profile->taskSettings()),
                $account->timeZone(),
                $lists[$id] ?? '',
            );
        }

        return $proposals;
    }

    /**
     * @param list<string> $conversationIds
     *
     * @return array<string, string> the name of the list that each belongs to, of several the first; archived ones do not count
     */
    private function lists(array $conversationIds): array
    {
        $lists = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT x.conversation_id, l.name FROM json_each(?) j CROSS JOIN card x ON x.conversation_id = j.value
             CROSS JOIN task_list l ON l.id = x.list_id WHERE NOT l.archived ORDER BY l.rank DESC, l.id DESC',
            [json_encode($conversationIds, \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $lists[$row->string('conversation_id')] = $row->string('name');
        }

        return $lists;
    }

    /**
     * @param list<string> $conversationIds
     *
     * @return array<string, string> the newest message by somebody else, by conversation
     */
    private function newest(array $conversationIds): array
    {
        $newest = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT x.conversation_id, m.id FROM conversation_message x JOIN message m ON m.id = x.message_id
             WHERE x.conversation_id IN (SELECT value FROM json_each(?)) AND NOT m.own ORDER BY m.sent_at, m.id',
            [json_encode($conversationIds, \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $newest[$row->string('conversation_id')] = $row->string('id');
        }

        return $newest;
    }
}
