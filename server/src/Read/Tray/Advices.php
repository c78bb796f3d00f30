<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Advice\Circumstances;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\HabitKey;
use ZippyTray\Core\Tray\Importance\Traits;
use ZippyTray\Core\Tray\Undecided;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Ports\DecidedMailStore;
use ZippyTray\Server\Store\Ports\FindingsStore;
use ZippyTray\Server\Store\Row;

/**
 * What is advised for conversations now.
 */
final readonly class Advices
{
    public function __construct(
        private Connection $connection,
        private FindingsStore $findings,
        private Adviser $adviser,
        private Learnings $learnings,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @param list<string> $conversationIds
     *
     * @return array<string, Advice> by conversation; without those of which nothing has been read yet
     */
    public function of(Account $account, array $conversationIds): array
    {
        return array_map(static fn (Weighed $weighed): Advice => $weighed->advice, $this->weighed($account, $conversationIds));
    }

    /**
     * @param list<string> $conversationIds
     *
     * @return array<string, Weighed> the same, with how much they matter
     */
    public function weighed(Account $account, array $conversationIds): array
    {
        $conversations = $this->conversations($account, $conversationIds);
        $undecided = $this->undecided($conversations);
        $found = $this->findings->of($account, array_merge(...array_values($undecided)));
        $now = new Moment($this->clock->now(), $account->timeZone());
        $of = $main = [];
        foreach (array_keys($conversations) as $id) {
            $messages = array_values(array_intersect_key($found, array_flip($undecided[$id] ?? [])));
            if ([] !== $messages) {
                [$of[$id], $main[$id]] = [$messages, Adviser::main($messages, $now->date())];
            }
        }
        $written = $this->written($account, [
            ...array_map(static fn (Findings $one): string => $one->head->from, array_values($main)),
            ...array_map(static fn (Row $row): string => strtolower($row->string('latest_email')), array_values($conversations)),
        ]);
        $traits = [];
        foreach ($main as $id => $one) {
            $traits[$id] = Traits::of($one, isset($written[$one->head->from]), $this->adviser->byRules($of[$id], $now->date()));
        }
        $learned = $this->learnings->about($account->id, array_values($traits));
        $done = $this->learnings->done($account->id, array_map(static fn (Findings $one): string => $one->head->key, array_values($main)));
        $weighed = [];
        foreach ($of as $id => $messages) {
            $row = $conversations[$id];
            $key = $main[$id]->head->key;
            try {
                $habit = Habit::of(
                    '' === $row->string('latest_name') ? $row->string('latest_email') : $row->string('latest_name'),
                    HabitKey::isList($key),
                    $done[$key] ?? [],
                );
                $advice = $this->adviser->advise($messages, new Circumstances(
                    $now->date(),
                    $habit,
                    $written[strtolower($row->string('latest_email'))] ?? 0,
                    $row->int('snoozes'),
                    $row->int('touches'),
                    ConversationRow::back($row, $now),
                    $learned->leanings->likely($traits[$id], $habit->decision),
                ));
                $weighed[$id] = new Weighed($advice, $main[$id], $traits[$id], $habit, $learned->importance);
            } catch (\Throwable $problem) {
                $this->logger->error('A conversation could not be advised.', ['conversation' => $id, 'exception' => $problem]);
            }
        }

        return $weighed;
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, Row>
     */
    private function conversations(Account $account, array $ids): array
    {
        $rows = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT c.id, c.latest_name, c.latest_email, c.snoozes, c.snoozed_since,
                c.away_until, c.away_reason, c.called_back_by, c.owed_by, c.owed_what, c.decided_at,
                '.ConversationRows::TOUCHES.' AS touches
             FROM conversation c WHERE +c.account_id = ? AND c.id IN (SELECT value FROM json_each(?))',
            [$account->id, json_encode($ids, \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $rows[$row->string('id')] = $row;
        }

        return $rows;
    }

    /**
     * See Undecided.
     *
     * @param array<string, Row> $conversations
     *
     * @return array<string, list<string>> message ids by conversation, oldest first
     */
    private function undecided(array $conversations): array
    {
        $messages = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT x.conversation_id, m.id, m.own, m.imported_at, '.DecidedMailStore::BY_ITSELF.'
             FROM conversation_message x JOIN message m ON m.id = x.message_id
             WHERE x.conversation_id IN (SELECT value FROM json_each(?)) ORDER BY m.sent_at, m.id',
            [json_encode(array_keys($conversations), \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $messages[$row->string('conversation_id')][] = $row;
        }
        $undecided = [];
        foreach ($messages as $conversation => $rows) {
            $all = array_map(
                static fn (Row $row): array => [
                    'id' => $row->string('id'),
                    'own' => $row->bool('own'),
                    'byItself' => $row->bool('by_itself'),
                    'importedAt' => $row->string('imported_at'),
                ],
                $rows,
            );
            $undecided[$conversation] = \array_slice(
                Undecided::of($all, $conversations[$conversation]->stringOrNull('decided_at') ?? ''),
                -DecidedMailStore::MESSAGES,
            );
        }

        return $undecided;
    }

    /**
     * @param array<string> $emails
     *
     * @return array<string, int> how often the person has written to each
     */
    public function written(Account $account, array $emails): array
    {
        $counts = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT email, sent AS times FROM person WHERE account_id = ? AND email IN (SELECT value FROM json_each(?)) AND sent > 0',
            [$account->id, json_encode(array_values(array_unique($emails)), \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE)],
        ) as $columns) {
            $row = new Row($columns);
            $counts[$row->string('email')] = $row->int('times');
        }

        return $counts;
    }
}
