<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Order;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Order\Condition;
use ZippyTray\Core\Order\MessageFacts;
use ZippyTray\Core\Order\Test;
use ZippyTray\Core\Tray\Importance\NotReadYet;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Label\LabelRows;
use ZippyTray\Server\Read\Tray\Advices;
use ZippyTray\Server\Store\Ports\FindingsStore;
use ZippyTray\Server\Store\Row;

/**
 * What conditions ask of messages; only what they do ask is looked up.
 */
final readonly class OrderFacts
{
    public function __construct(
        private Connection $connection,
        private FindingsStore $findings,
        private Advices $advices,
        private LabelRows $labels,
    ) {
    }

    /**
     * @param list<array{Message, string}> $messages   each with the id of its conversation
     * @param list<Condition>              $conditions
     * @param bool                         $whole      whether those are needed that have not been read yet
     *
     * @return array<string, MessageFacts> by message
     *
     * @throws NotReadYet when some are needed and not read yet; they will be
     */
    public function of(Account $account, array $messages, array $conditions, bool $whole): array
    {
        $asks = static fn (callable $for): bool => [] !== array_filter(
            $conditions,
            static fn (Condition $condition): bool => $condition->asks($for),
        );
        $ids = array_map(static fn (array $one): string => $one[0]->id->text, $messages);
        $conversations = array_values(array_unique(array_column($messages, 1)));
        $findings = $whole ? $this->findings->ofAll($account, $ids) : $this->findings->of($account, $ids);
        $known = $this->advices->written(
            $account,
            array_map(static fn (array $one): string => strtolower($one[0]->from->email), $messages),
        );
        $weighed = $asks(static fn (Test $test): bool => Test::Important === $test || Test::Unimportant === $test)
            ? $this->advices->weighed($account, $conversations)
            : [];
        $labels = $asks(static fn (Test $test): bool => Test::Label === $test) ? $this->labelsOf($account, $conversations) : [];
        $lists = $asks(static fn (Test $test): bool => Test::TaskList === $test) ? $this->listsOf($account, $conversations) : [];
        $person = $account->person();
        $facts = [];
        foreach ($messages as [$message, $conversation]) {
            $facts[$message->id->text] = MessageFacts::of(
                $message,
                $findings[$message->id->text] ?? null,
                $person,
                isset($known[strtolower($message->from->email)]),
                ($weighed[$conversation] ?? null)?->score(),
                $labels[$conversation] ?? [],
                $lists[$conversation] ?? [],
            );
        }

        return $facts;
    }

    /**
     * @param list<string> $conversations
     *
     * @return array<string, list<string>> names in small letters, by conversation
     */
    private function labelsOf(Account $account, array $conversations): array
    {
        $shown = $this->labels->shown($account->id);
        $labels = [];
        foreach ($this->rows(
            'SELECT c.id, c.decided_at, c.decided_as, '.LabelRows::BORNE.' AS borne FROM json_each(?) j CROSS JOIN conversation c
                ON c.id = j.value WHERE +c.account_id = ?',
            $account,
            $conversations,
        ) as $row) {
            foreach (LabelRows::on($row, $shown) as $label) {
                $labels[$row->string('id')][] = mb_strtolower($label->name);
            }
        }

        return $labels;
    }

    /**
     * @param list<string> $conversations
     *
     * @return array<string, list<string>> names of lists in small letters, by conversation
     */
    private function listsOf(Account $account, array $conversations): array
    {
        $lists = [];
        foreach ($this->rows(
            "SELECT DISTINCT x.conversation_id AS id, l.name FROM json_each(?) j
                CROSS JOIN conversation_message x ON x.conversation_id = j.value
                CROSS JOIN source_copy s ON s.message_id = x.message_id
                JOIN task t ON t.account_id = s.account_id
                    AND EXISTS (SELECT 1 FROM json_each(t.sources) k WHERE json_extract(k.value, '$.ref') = s.id)
                JOIN task_list l ON l.id = t.list_id WHERE +s.account_id = ?",
            $account,
            $conversations,
        ) as $row) {
            $lists[$row->string('id')][] = mb_strtolower($row->string('name'));
        }

        return $lists;
    }

    /**
     * @param list<string> $conversations
     *
     * @return list<Row>
     */
    private function rows(string $query, Account $account, array $conversations): array
    {
        return array_map(
            static fn (array $columns): Row => new Row($columns),
            $this->connection->fetchAllAssociative($query, [json_encode($conversations, \JSON_THROW_ON_ERROR), $account->id]),
        );
    }
}
