<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Importance\Learned;
use ZippyTray\Core\Tray\Importance\Shown;
use ZippyTray\Core\Tray\Importance\Traits;
use ZippyTray\Server\Store\Ports\CorrectionStore;
use ZippyTray\Server\Store\Ports\LessonStore;
use ZippyTray\Server\Store\Row;

/**
 * What is learned of somebody, as far as it is about some mail.
 */
final readonly class Learnings
{
    public function __construct(private Connection $connection, private LessonStore $lessons, private CorrectionStore $corrections)
    {
    }

    /** @param list<Traits> $of */
    public function about(AccountId $accountId, array $of): Learned
    {
        $names = array_values(array_unique(array_merge(...array_map(static fn (Traits $traits): array => $traits->names, $of))));

        return new Learned(
            $this->lessons->weights($accountId, $names),
            $this->lessons->count($accountId),
            $this->corrections->all($accountId),
        );
    }

    /**
     * @param list<string> $keys see HabitKey
     *
     * @return array<string, list<array{AdvisedDecision, Shown}>> by key, what was done with the last conversations, the last one first
     */
    public function done(AccountId $accountId, array $keys): array
    {
        $done = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT l.habit_key, l.shown, l.done FROM json_each(:keys) k CROSS JOIN lesson l ON l.account_id = :account
                AND l.habit_key = k.value AND l.number IN (
                SELECT h.number FROM lesson h CROSS JOIN journal_entry e ON e.account_id = h.account_id AND e.number = h.number
                WHERE h.account_id = :account AND h.habit_key = k.value AND e.undone_by IS NULL
                ORDER BY h.number DESC LIMIT '.Habit::LOOKED_AT.'
             ) ORDER BY k.key, l.number DESC',
            [
                'account' => $accountId,
                'keys' => json_encode(array_values(array_unique($keys)), \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE),
            ],
        ) as $columns) {
            $row = new Row($columns);
            [$decision, $shown] = [AdvisedDecision::tryFrom($row->string('done')), Shown::tryFrom($row->string('shown'))];
            if (null !== $decision && null !== $shown) {
                $done[$row->string('habit_key')][] = [$decision, $shown];
            }
        }

        return $done;
    }
}
