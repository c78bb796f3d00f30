<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Importance\Learn;
use ZippyTray\Core\Tray\Importance\Lesson;
use ZippyTray\Core\Tray\Importance\Lessons;
use ZippyTray\Core\Tray\Importance\Shown;
use ZippyTray\Core\Tray\Importance\Traits;
use ZippyTray\Core\Tray\Importance\Weight;
use ZippyTray\Server\Store\Row;

final readonly class LessonStore implements Lessons
{
    /** Lessons that are read at once. */
    private const AT_ONCE = 500;

    public function __construct(private Connection $connection)
    {
    }

    public function learnedTo(AccountId $accountId): int
    {
        return $this->number('SELECT learned_to FROM learning WHERE account_id = ?', $accountId);
    }

    public function setLearnedTo(AccountId $accountId, int $number): void
    {
        $this->connection->executeStatement(
            'INSERT INTO learning (account_id, learned_to, lessons, kept_from) VALUES (?, ?, 0, 0)
                ON CONFLICT (account_id) DO UPDATE SET learned_to = excluded.learned_to',
            [$accountId, $number],
        );
    }

    public function count(AccountId $accountId): int
    {
        return $this->number('SELECT lessons FROM learning WHERE account_id = ?', $accountId);
    }

    public function weights(AccountId $accountId, array $traits): array
    {
        $weights = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT t.trait, t.matters, t.leans, t.seen FROM json_each(?) j CROSS JOIN learned_trait t ON t.account_id = ? AND t.trait = '
                .'j.value',
            [self::json($traits), $accountId],
        ) as $columns) {
            $weights[(new Row($columns))->string('trait')] = self::weight($columns);
        }

        return $weights;
    }

    public function put(AccountId $accountId, int $number, array $before, array $after, int $count): void
    {
        $this->keepBefore($accountId, $number, $before, $count);
        $last = $this->number(
            'SELECT number FROM learned_before WHERE account_id = ? ORDER BY number DESC LIMIT 1 OFFSET '.Learn::KEPT,
            $accountId,
        );
        if (0 !== $last) {
            $this->connection->executeStatement('DELETE FROM learned_before WHERE account_id = ? AND number <= ?', [$accountId, $last]);
            $this->connection->update('learning', ['kept_from' => $last + 1], ['account_id' => $accountId]);
        }
        $this->write($accountId, $after);
        $this->addLessons($accountId, $count);
    }

    public function keptFrom(AccountId $accountId): int
    {
        return $this->number('SELECT kept_from FROM learning WHERE account_id = ?', $accountId);
    }

    public function takeBack(AccountId $accountId, int $number): void
    {
        $kept = $this->connection->fetchAllAssociative(
            'SELECT number, weights, lessons FROM learned_before WHERE account_id = ? AND number >= ? ORDER BY number DESC',
            [$accountId, $number],
        );
        foreach ($kept as $columns) {
            $row = new Row($columns);
            $gone = [];
            $there = [];
            foreach ($row->json('weights') as $trait => $weight) {
                if (\is_array($weight)) {
                    [$matters, $leans, $seen] = $weight;
                    $there[(string) $trait] = self::weight(['matters' => $matters, 'leans' => self::json($leans), 'seen' => $seen]);
                } else {
                    $gone[] = (string) $trait;
                }
            }
            $this->write($accountId, $there);
            $this->connection->executeStatement(
                'DELETE FROM learned_trait WHERE account_id = ? AND trait IN (SELECT value FROM json_each(?))',
                [$accountId, self::json($gone)],
            );
            $this->connection->delete('learned_before', ['account_id' => $accountId, 'number' => $row->int('number')]);
            $this->addLessons($accountId, -$row->int('lessons'));
        }
    }

    public function replace(AccountId $accountId, array $weights, int $count, array $before): void
    {
        $this->connection->delete('learned_trait', ['account_id' => $accountId]);
        $this->connection->delete('learned_before', ['account_id' => $accountId]);
        $this->connection->delete('learning', ['account_id' => $accountId]);
        $this->write($accountId, $weights);
        $this->addLessons($accountId, $count);
        foreach ($before as $number => [$of, $lessons]) {
            $this->keepBefore($accountId, $number, $of, $lessons);
        }
        if (Learn::KEPT === \count($before)) {
            $this->connection->update('learning', ['kept_from' => array_key_first($before)], ['account_id' => $accountId]);
        }
    }

    public function add(AccountId $accountId, int $number, array $lessons): void
    {
        foreach ($lessons as $lesson) {
            $this->connection->executeStatement(
                'INSERT OR REPLACE INTO lesson (account_id, number, conversation_id, habit_key, traits, shown, done)
                    VALUES (?, ?, ?, ?, ?, ?, ?)',
                [
                    $accountId,
                    $number,
                    $lesson->conversationId,
                    $lesson->key,
                    self::json($lesson->traits->names),
                    $lesson->shown->value,
                    $lesson->done->value,
                ],
            );
        }
    }

    public function between(AccountId $accountId, int $from, int $to): iterable
    {
        [$number, $conversation, $of, $lessons] = [$from, '', 0, []];
        do {
            $rows = $this->connection->fetchAllAssociative(
                'SELECT l.number, l.conversation_id, l.habit_key, l.traits, l.shown, l.done FROM lesson l
                    CROSS JOIN journal_entry e ON e.account_id = l.account_id AND e.number = l.number
                    WHERE l.account_id = ? AND (l.number, l.conversation_id) > (?, ?) AND l.number <= ? AND e.undone_by IS NULL
                    ORDER BY l.number, l.conversation_id LIMIT '.self::AT_ONCE,
                [$accountId, $number, $conversation, $to],
            );
            foreach ($rows as $columns) {
                $row = new Row($columns);
                [$number, $conversation] = [$row->int('number'), $row->string('conversation_id')];
                if ($number !== $of && [] !== $lessons) {
                    yield $of => $lessons;
                    $lessons = [];
                }
                $of = $number;
                $lessons[] = self::lesson($row);
            }
        } while (self::AT_ONCE === \count($rows));
        if ([] !== $lessons) {
            yield $of => $lessons;
        }
    }

    /** @param array<string, Weight|null> $before by trait */
    private function keepBefore(AccountId $accountId, int $number, array $before, int $lessons): void
    {
        $this->connection->insert('learned_before', [
            'account_id' => $accountId,
            'number' => $number,
            'weights' => self::json(array_map(
                static fn (?Weight $weight): ?array => null === $weight ? null : [$weight->matters, $weight->leans, $weight->seen],
                $before,
            )),
            'lessons' => $lessons,
        ]);
    }

    private static function lesson(Row $row): Lesson
    {
        return new Lesson(
            $row->int('number'),
            new ConversationId($row->string('conversation_id')),
            $row->string('habit_key'),
            new Traits(array_values(array_map(
                static fn (mixed $name): string => \is_string($name) ? $name : '',
                $row->json('traits'),
            ))),
            Shown::from($row->string('shown')),
            AdvisedDecision::from($row->string('done')),
        );
    }

    /** @param array<string, Weight> $weights by trait */
    private function write(AccountId $accountId, array $weights): void
    {
        foreach ($weights as $trait => $weight) {
            $this->connection->executeStatement(
                'INSERT INTO learned_trait (account_id, trait, matters, leans, seen) VALUES (?, ?, ?, ?, ?) ON CONFLICT (account_id, trait)
                    DO UPDATE SET matters = excluded.matters, leans = excluded.leans, seen = excluded.seen',
                [$accountId, (string) $trait, $weight->matters, self::json($weight->leans), $weight->seen],
            );
        }
    }

    /** @param array<string, mixed> $columns matters, leans and seen */
    private static function weight(array $columns): Weight
    {
        $row = new Row($columns);
        $leans = [];
        foreach ($row->json('leans') as $decision => $weight) {
            $leans[(string) $decision] = is_numeric($weight) ? (float) $weight : 0.0;
        }

        return new Weight(is_numeric($columns['matters']) ? (float) $columns['matters'] : 0.0, $leans, $row->int('seen'));
    }

    private function addLessons(AccountId $accountId, int $count): void
    {
        $this->connection->executeStatement(
            'INSERT INTO learning (account_id, learned_to, lessons, kept_from) VALUES (?, 0, ?, 0)
                ON CONFLICT (account_id) DO UPDATE SET lessons = lessons + excluded.lessons',
            [$accountId, $count],
        );
    }

    private function number(string $query, AccountId|int ...$of): int
    {
        $number = $this->connection->fetchOne($query, array_values($of));

        return is_numeric($number) ? (int) $number : 0;
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE);
    }
}
