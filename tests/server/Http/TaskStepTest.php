<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What is done with tasks that exist.
 */
final class TaskStepTest extends ApiTestCase
{
    public function testAllThatAPersonFillsInIsThereAgain(): void
    {
        $this->signIn();
        $other = $this->makeTask(['title' => 'Measure the panes']);
        $task = $this->makeTask([
            'title' => 'Order the glass', 'notes' => '**Two** panes', 'list' => 'Lantern', 'start' => ['date' => $this->day(1)],
            'due' => ['phrase' => 'in 10 days'],
            'estimate' => '1h 30', 'priority' => 'high', 'labels' => ['Harbour', 'glass', 'harbour'],
            'repeat' => ['phrase' => 'every 2 weeks'], 'reminders' => [
                '2 days before',
                'the morning before',
                'in 3 days at noon',
            ],
            'sources' => [['kind' => 'web', 'ref' => 'https://glass.example/panes'], ['kind' => 'task', 'ref' => $other]],
        ]);
        $sheet = $this->call('GET', '/tasks/'.$task);
        $row = (array) $sheet['row'];
        self::assertSame(
            ['**Two** panes', 90, 'high', ['glass', 'Harbour'], true],
            [$sheet['notes'], $row['estimate'], $row['priority'], array_column((array) $row['labels'], 'name'), $row['waiting']],
        );
        self::assertSame(['2 days before', 'the morning before'], \array_slice(array_column((array) $sheet['reminders'], 'text'), 0, 2));
        self::assertSame(['web', 'task'], array_column((array) $sheet['sources'], 'kind'));
        self::assertSame([['id' => $task, 'title' => 'Order the glass', 'done' => false]], $this->call('GET', '/tasks/'.$other)['usedBy']);
        self::assertSame(['glass', 'Harbour'], array_column($this->rows('/labels'), 'name'));
        self::assertSame(
            ['tasks' => 1, 'overdue' => 0],
            array_intersect_key($this->counts(), ['tasks' => 0, 'overdue' => 0]),
            'What waits for its start does not count.',
        );
        self::assertSame(['Order the glass'], array_column($this->tasks('?state=waiting&words=GLASS'), 'title'));
        self::assertSame([], $this->tasks('?state=waiting&words=glass+slate'));
    }

    public function testTheLaterOfTwoEditsIsToldAndOverwritesNothing(): void
    {
        $this->signIn();
        $task = $this->makeTask(['title' => 'Order polish']);
        $revision = $this->row($task)['revision'];
        $this->call(
            'PUT',
            '/tasks/'.$task,
            ['entry' => self::id(), 'revision' => $revision, 'fields' => ['title' => 'Order brass polish']],
        );
        $problem = $this->call(
            'PUT',
            '/tasks/'.$task,
            ['entry' => self::id(), 'revision' => $revision, 'fields' => ['title' => 'Order silver polish']],
            409,
        );
        self::assertSame('Order brass polish', ((array) ((array) $problem['task'])['row'])['title']);
        self::assertSame('Order brass polish', $this->row($task)['title']);
    }

    public function testCompletingAsksAboutOpenSubtasks(): void
    {
        $this->signIn();
        $task = $this->makeTask(
            ['title' => 'Open day'],
            ['subtasks' => [
                ['title' => 'Posters'],
                ['title' => 'Tea', 'under' => [['title' => 'Milk'], ['title' => 'Cups', 'done' => true]]],
            ]],
        );
        self::assertSame(['open' => 3, 'done' => 1], $this->row($task)['subtasks']);
        $problem = $this->complete($task, 409);
        self::assertSame(3, $problem['openSubtasks']);
        self::assertCount(4, $this->tasks('?parts=1'));

        $done = $this->complete($task, 200, true);
        self::assertSame([], $this->tasks());
        $this->undo($done);
        self::assertSame(['open' => 3, 'done' => 1], $this->row($task)['subtasks']);

        $this->call('POST', '/demo/clock', ['to' => 'hour']);
        $this->settle(['completeSubtasks' => true]);
        $this->complete($task);
        self::assertCount(5, $this->tasks('?state=done'));
        $cleared = $this->call('DELETE', '/done?entry='.self::id());
        self::assertSame('5 tasks', $cleared['consequence']);
        self::assertCount(0, $this->tasks('?state=done'));
        $this->undo($cleared);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$task], 'done' => false]);
        self::assertSame(['open' => 3, 'done' => 1], $this->row($task)['subtasks']);
    }

    public function testARepeatGoesOnAndLeavesWhatWasDoneBehind(): void
    {
        $this->signIn();
        $task = $this->makeTask(
            ['title' => 'Wind the clock', 'repeat' => ['phrase' => 'every 3 days'], 'due' => ['date' => $this->day(-10)]],
            ['subtasks' => [['title' => 'Find the key']]],
        );
        self::assertTrue($this->row($task)['over']);
        $done = $this->complete($task, 200, true);
        self::assertSame(self::due($this->day(2)), $this->row($task)['due'], 'What was missed does not pile up.');
        self::assertSame(['open' => 1, 'done' => 0], $this->row($task)['subtasks']);
        self::assertCount(2, $this->tasks('?state=done'));
        $this->undo($done);
        self::assertSame([self::due($this->day(-10)), []], [$this->row($task)['due'], $this->tasks('?state=done')]);

        $this->call('POST', '/tasks/'.$task.'/skip', ['entry' => self::id()]);
        self::assertSame([self::due($this->day(2)), []], [$this->row($task)['due'], $this->tasks('?state=done')]);
        $before = $this->call('GET', '/tasks/'.$task)['repeat'];
        $this->call(
            'PUT',
            '/tasks/'.$task,
            [
                'entry' => self::id(),
                'revision' => $this->row($task)['revision'],
                'fields' => ['title' => 'Wind it', 'due' => ['date' => $this->day(3)], 'repeat' => ['phrase' => '', 'same' => true]],
            ],
        );
        self::assertSame(
            $before,
            $this->call('GET', '/tasks/'.$task)['repeat'],
            'A repeat that is left alone goes on, though this one was moved.',
        );
        $this->call('POST', '/tasks/'.$this->makeTask(['title' => 'Once']).'/skip', ['entry' => self::id()], 422);
    }

    public function testMovingAmongTheirLikeUnderOthersAndOut(): void
    {
        $this->signIn();
        [$a, $b, $c] = [
            $this->makeTask(['title' => 'A', 'list' => 'Roof']),
            $this->makeTask(['title' => 'B', 'list' => 'Roof']),
            $this->makeTask(['title' => 'C', 'list' => 'Roof']),
        ];
        self::assertSame(['A', 'B', 'C'], $this->order());
        $this->move([$c], ['behind' => $a]);
        self::assertSame(['A', 'C', 'B'], $this->order());
        $moved = $this->move([$b, $c], ['list' => ((array) $this->row($a)['list'])['id'], 'first' => true]);
        self::assertSame(['B', 'C', 'A'], $this->order());
        $this->undo($moved);
        self::assertSame(['A', 'C', 'B'], $this->order());
        $this->move([$c], ['parent' => $a]);
        self::assertSame(['id' => $a, 'title' => 'A'], $this->row($c)['parent']);
        $this->move([$a], ['parent' => $c], 422);
        $this->move([$a], ['behind' => $a], 422);
        $this->move([$a], [], 422);
        $house = $this->makeTask(['title' => 'D', 'list' => 'House']);
        $this->move([$a], ['behind' => $house]);
        self::assertSame('House', ((array) $this->row($c)['list'])['name'], 'Subtasks go along.');
    }

    public function testSeveralAtOnce(): void
    {
        $this->signIn();
        [$a, $b] = [
            $this->makeTask(['title' => 'A', 'due' => ['date' => $this->day(-3), 'time' => '15:00']]),
            $this->makeTask(['title' => 'B', 'due' => ['date' => $this->day(-5)], 'labels' => ['slate']]),
        ];
        $entry = $this->change([$a, $b], ['due' => ['phrase' => 'tomorrow']]);
        self::assertSame(
            [self::due($this->day(1), '15:00'), self::due($this->day(1))],
            [$this->row($a)['due'], $this->row($b)['due']],
            'A day leaves the time as it is.',
        );
        self::assertSame('change_tasks', $entry['kind']);
        $this->change([$a, $b], ['label' => 'Harbour', 'priority' => 'low', 'list' => 'Shed']);
        $this->change([$a, $b], ['unlabel' => 'SLATE']);
        $names = static fn (array $row): array => array_column((array) $row['labels'], 'name');
        self::assertSame(
            [['Harbour'], ['Harbour'], 'low', 'Shed'],
            [$names($this->row($a)), $names($this->row($b)), $this->row($b)['priority'], ((array) $this->row($b)['list'])['name']],
        );
        $this->change([$a], ['start' => ['date' => $this->day(1)]]);
        $problem = $this->change([$b, $a], ['due' => ['phrase' => 'today']], 422);
        self::assertIsString($problem['detail']);
        self::assertStringStartsWith('"A": It would begin', $problem['detail']);
        self::assertSame(self::due($this->day(1)), $this->row($b)['due'], 'None is changed when one cannot be.');
        $this->change([$b], ['undated' => true]);
        self::assertNull($this->row($b)['due']);
    }

    public function testLists(): void
    {
        $this->signIn();
        [$roof, $house] = [self::id(), self::id()];
        foreach ([$roof => 'Roof', $house => 'House'] as $id => $name) {
            $this->call('POST', '/lists', ['entry' => self::id(), 'id' => $id, 'name' => $name, 'colour' => 'sea'], 201);
        }
        $this->call('POST', '/lists', ['entry' => self::id(), 'id' => self::id(), 'name' => ' rOOF ', 'colour' => 'sea'], 422);
        $this->makeTask(
            ['title' => 'Slates', 'list' => 'Roof', 'due' => ['date' => $this->day(-1)]],
            ['subtasks' => [['title' => 'Nails']]],
        );
        self::assertSame(
            [['Roof', 1, 1], ['House', 0, 0]],
            array_map(static fn (array $list): array => [$list['name'], $list['open'], $list['over']], $this->rows('/lists')),
        );
        $this->call('PUT', "/lists/{$house}/place", ['entry' => self::id(), 'behind' => null]);
        self::assertSame(['House', 'Roof'], array_column($this->rows('/lists'), 'name'));

        $archived = $this->call(
            'PUT',
            '/lists/'.$roof,
            ['entry' => self::id(), 'name' => 'The roof', 'colour' => 'plum', 'archived' => true],
        );
        self::assertSame([[], 0], [$this->tasks(), $this->counts()['overdue']]);
        self::assertCount(2, $this->rows('/task-tree?list='.$roof));
        $this->call(
            'POST',
            '/tasks',
            ['entry' => self::id(), 'tasks' => [['id' => self::id(), 'fields' => ['title' => 'x', 'list' => 'The roof']]]],
            422,
        );
        $this->undo($archived);

        $deleted = $this->call('DELETE', "/lists/{$roof}?entry=".self::id());
        self::assertSame([[], 'with 2 tasks'], [$this->tasks(), $deleted['consequence']]);
        $this->undo($deleted);
        $moved = $this->call('DELETE', "/lists/{$roof}?entry=".self::id().'&moveTo='.$house);
        self::assertSame(
            [['House', 1, 1]],
            array_map(static fn (array $list): array => [$list['name'], $list['open'], $list['over']], $this->rows('/lists')),
        );
        $this->undo($moved);
        self::assertCount(2, $this->rows('/task-tree?list='.$roof));
        $this->call('DELETE', "/lists/{$roof}?entry=".self::id().'&moveTo='.$roof, status: 422);
    }

    public function testListsLieUnderLists(): void
    {
        $this->signIn();
        [$house, $roof, $door] = [self::id(), self::id(), self::id()];
        foreach ([$house => 'House', $roof => 'Roof', $door => 'Door'] as $id => $name) {
            $this->call('POST', '/lists', ['entry' => self::id(), 'id' => $id, 'name' => $name, 'colour' => 'sea'], 201);
        }
        $place = fn (string $list, ?string $behind, ?string $parent, int $status = 200): array => $this->call(
            'PUT',
            "/lists/{$list}/place",
            ['entry' => self::id(), 'behind' => $behind, 'parent' => $parent],
            $status,
        );
        $tree = fn (): array => array_map(static fn (array $list): array => [$list['name'], $list['parent']], $this->rows('/lists'));
        $place($roof, null, $house);
        $nested = $place($door, $roof, $house);
        self::assertSame([['House', null], ['Roof', $house], ['Door', $house]], $tree());
        $place($house, null, $roof, 422);
        $place($roof, null, $roof, 422);
        $this->undo($nested);
        self::assertSame([['House', null], ['Roof', $house], ['Door', null]], $tree());
        $deleted = $this->call('DELETE', "/lists/{$house}?entry=".self::id());
        self::assertSame([['Roof', null], ['Door', null]], $tree(), 'What lay under it stands by itself.');
        $this->undo($deleted);
        self::assertSame([['House', null], ['Roof', $house], ['Door', null]], $tree());
    }

    public function testAFirstReminderIsProposedForADueAndNotOnADayOff(): void
    {
        $this->signIn();
        // It is Tuesday 24 November.
        foreach (['friday', '7 december', 'in 3 weeks', 'tomorrow', 'today at 18:00'] as $due) {
            $text = self::text($this->call('GET', '/first-reminder?due='.rawurlencode($due))['text']);
            if ('' === $text) {
                continue;
            }
            $read = $this->call('GET', '/when?as=reminder&phrase='.rawurlencode($text).'&due='.rawurlencode($due));
            self::assertLessThan(6, (int) (new \DateTimeImmutable(self::text($read['date'])))->format('N'), "{$text} of {$due}");
        }
        self::assertSame('', $this->call('GET', '/first-reminder?due=blursday')['text']);
        $this->settle(['reminderPercent' => 0]);
        self::assertSame('', $this->call('GET', '/first-reminder?due=friday')['text']);
    }

    /** @return list<mixed> the titles of the list Roof in the person's order */
    private function order(): array
    {
        $rows = array_filter(
            $this->tasks(),
            static fn (array $row): bool => 'Roof' === ((array) $row['list'])['name'] && null === $row['parent'],
        );
        usort($rows, static fn (array $a, array $b): int => $a['rank'] <=> $b['rank']);

        return array_column($rows, 'title');
    }

    /** @return array<mixed> */
    private function row(string $task): array
    {
        return (array) $this->call('GET', '/tasks/'.$task)['row'];
    }

    /** @return array<mixed> */
    private function complete(string $task, int $status = 200, bool $withSubtasks = false): array
    {
        return $this->call(
            'PUT',
            '/tasks/state',
            ['entry' => self::id(), 'tasks' => [$task], 'done' => true, 'withSubtasks' => $withSubtasks],
            $status,
        );
    }

    /**
     * @param list<string>         $tasks
     * @param array<string, mixed> $to
     *
     * @return array<mixed>
     */
    private function move(array $tasks, array $to, int $status = 200): array
    {
        return $this->call('POST', '/tasks/moves', ['entry' => self::id(), 'tasks' => $tasks] + $to, $status);
    }

    /**
     * @param list<string>         $tasks
     * @param array<string, mixed> $change
     *
     * @return array<mixed>
     */
    private function change(array $tasks, array $change, int $status = 200): array
    {
        return $this->call('POST', '/tasks/changes', ['entry' => self::id(), 'tasks' => $tasks] + $change, $status);
    }
}
