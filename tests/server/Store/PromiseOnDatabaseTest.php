<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * The journal's promise once more, through HTTP and on a real database: what the ports of the core
 * do in memory, they do there too.
 */
final class PromiseOnDatabaseTest extends ApiTestCase
{
    private const STEPS = 14;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 6; ++$seed) {
            yield 'seed '.$seed => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testAnySeriesUndoneInReverseGivesTheTablesBefore(int $seed): void
    {
        $this->signIn();
        $conversations = [$this->receive('One'), $this->receive('Two'), $this->receive('Three')];
        $chance = new Randomizer(new Mt19937($seed));
        $states = [];
        $entries = [];
        while (\count($entries) < self::STEPS) {
            $states[] = $this->tables();
            $entries[] = $this->anyStep($chance, $conversations);
        }
        $after = $this->tables();
        $undoings = [];
        foreach (array_reverse($entries, true) as $index => $entry) {
            $undoings[] = $this->undone($entry);
            self::assertSame($states[$index], $this->tables(), \sprintf('After undoing step %d.', $index));
        }
        foreach (array_reverse($undoings) as $undoing) {
            $this->undone($undoing);
        }
        self::assertSame($after, $this->tables());
        $numbers = array_column((array) $this->call('GET', '/journal')['entries'], 'number');
        self::assertSame(range(3 * self::STEPS, 1), $numbers);
    }

    /**
     * @param list<string> $conversations
     *
     * @return array<mixed> the entry
     */
    private function anyStep(Randomizer $chance, array $conversations): array
    {
        $id = $conversations[$chance->getInt(0, 2)];
        $tasks = $this->tasks();
        $task = [] === $tasks ? null : $tasks[0]['id'];
        $fields = [
            'title' => 'Task '.$chance->getInt(1, 9),
            'list' => ['Roof', 'House'][$chance->getInt(0, 1)],
            'due' => 0 === $chance->getInt(0, 1) ? null : ['date' => '2031-01-0'.$chance->getInt(1, 9), 'time' => '15:00'],
            'repeat' => 0 === $chance->getInt(0, 2) ? ['phrase' => 'every 2 days'] : null,
            'reminders' => ['2 days before'],
            'labels' => ['glass'],
        ];

        $step = $chance->getInt(0, 11);
        if (!\is_string($task)) {
            $step = $step < 4 ? $step : 9;
            $task = '';
        }

        return match ($step) {
            0 => $this->decide('archive', $conversations),
            1 => $this->decide('delete', [$id]),
            2 => $this->decide('snooze', [$id], ['date' => '2031-01-0'.$chance->getInt(1, 9), 'time' => '09:00']),
            3 => $this->decide('bring_back', [$id]),
            4 => $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$task], 'done' => true, 'withSubtasks' => true]),
            5 => $this->call(
                'PUT',
                '/tasks/'.$task,
                ['entry' => self::id(), 'revision' => $tasks[0]['revision'] ?? 0, 'fields' => $fields],
            ),
            6 => $this->call('POST', '/tasks/deletions', ['entry' => self::id(), 'tasks' => [$task]]),
            7 => $this->call(
                'POST',
                '/tasks/moves',
                ['entry' => self::id(), 'tasks' => [$task], 'list' => ((array) ($tasks[0]['list'] ?? []))['id'] ?? '', 'first' => true],
            ),
            8 => $this->call(
                'POST',
                '/tasks/changes',
                ['entry' => self::id(), 'tasks' => array_column($tasks, 'id'), 'list' => 'Shed', 'label' => 'harbour'],
            ),
            default => $this->make($fields, $id),
        };
    }

    /**
     * @param array<string, mixed> $fields
     *
     * @return array<mixed> the entry
     */
    private function make(array $fields, ?string $conversation): array
    {
        return (array) $this->call(
            'POST',
            '/tasks',
            [
                'entry' => self::id(),
                'tasks' => [[
                    'id' => self::id(),
                    'fields' => $fields,
                    'conversation' => null === $conversation ? null : ['id' => $conversation],
                    'subtasks' => [['title' => 'Part of it', 'under' => [['title' => 'Part of that', 'done' => true]]]],
                ]],
            ],
            201,
        )['entry'];
    }

    /**
     * @param array<mixed> $entry
     *
     * @return array<mixed> the entry of the undoing
     */
    private function undone(array $entry): array
    {
        self::assertIsString($entry['id']);

        return $this->call('POST', '/journal/'.$entry['id'].'/undo', ['id' => self::id()]);
    }

    /** @return array<string, list<array<string, mixed>>> */
    private function tables(): array
    {
        $connection = self::getContainer()->get(Connection::class);
        self::assertInstanceOf(Connection::class, $connection);
        $tables = [];
        foreach (['conversation', 'conversation_message', 'message', 'task', 'task_list'] as $table) {
            // The revision only ever grows, so that what is undone is noticed, too.
            $tables[$table] = array_map(
                static fn (array $row): array => array_diff_key($row, ['revision' => true, 'revised_by_mail' => true]),
                $connection->fetchAllAssociative("SELECT * FROM {$table} ORDER BY 1"),
            );
        }

        return $tables;
    }
}
