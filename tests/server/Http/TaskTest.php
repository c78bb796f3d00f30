<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Tests\Server\ApiTestCase;

final class TaskTest extends ApiTestCase
{
    public function testATaskOutlivesItsMailAndItsSourceStaysReadable(): void
    {
        $this->signIn();
        $conversation = $this->receive('Lantern glass', text: 'Which one shall it be?');
        $task = $this->makeTask(['title' => 'Choose the glass', 'list' => 'Lantern'], ['conversation' => ['id' => $conversation]]);
        self::assertSame([], $this->rows('/tray'));
        $copy = $this->source($task);
        self::assertNotNull($copy['message']);
        self::assertSame('archive', ((array) $copy['conversation'])['place']);

        $this->decide('delete', [$conversation]);
        self::assertSame('bin', ((array) $this->source($task)['conversation'])['place']);
        $this->call('DELETE', '/bin?id='.self::id());

        $copy = $this->source($task);
        self::assertSame([null, null, 'Lantern glass'], [$copy['message'], $copy['conversation'], $copy['subject']]);
        self::assertIsString($copy['text']);
        self::assertStringContainsString('Which one shall it be?', $copy['text']);
        self::assertIsString($copy['id']);
        self::assertSame('Tam Achterberg', ((array) $this->call('GET', '/sources/'.$copy['id'])['from'])['name']);
    }

    public function testTheAddressOfAMessageThatIsGoneLeadsToItsCopies(): void
    {
        $this->signIn();
        $conversation = $this->receive('Lantern glass', id: 'glass@glass.example');
        $task = $this->makeTask(['title' => 'Choose the glass'], ['conversation' => ['id' => $conversation]]);
        $this->decide('delete', [$conversation]);
        $this->call('DELETE', '/bin?id='.self::id());
        foreach (['mid:glass@glass.example', '<glass@glass.example>'] as $address) {
            $this->call('GET', '/message-addresses?address='.rawurlencode($address), status: 404);
            $copies = $this->call('GET', '/sources?address='.rawurlencode($address));
            self::assertSame(['Lantern glass'], array_column($copies, 'subject'), $address);
            self::assertSame([[['id' => $task, 'title' => 'Choose the glass', 'done' => false]]], array_column($copies, 'tasks'));
        }
        self::assertSame([], $this->call('GET', '/sources?address='.rawurlencode('mid:never@glass.example')));
        $this->signIn($this->account('other@ternpoint.example'));
        self::assertSame([], $this->call('GET', '/sources?address='.rawurlencode('mid:glass@glass.example')));
    }

    public function testDeletingTheTaskLeavesTheMail(): void
    {
        $this->signIn();
        $conversation = $this->receive();
        $task = $this->makeTask(['title' => 'Choose'], ['conversation' => ['id' => $conversation]]);
        $deleted = $this->call('POST', '/tasks/deletions', ['entry' => self::id(), 'tasks' => [$task]]);
        self::assertSame('archive', ((array) $this->call('GET', '/conversations/'.$conversation)['row'])['place']);

        $this->undo($deleted);
        self::assertNotNull($this->source($task)['message']);
    }

    public function testOrderOfTheList(): void
    {
        $this->signIn();
        $today = $this->day();
        foreach ([
            'none' => null,
            'next week' => ['date' => $this->day(7), 'time' => null],
            'today' => ['date' => $today, 'time' => null],
            'over' => ['date' => $this->day(-2), 'time' => null],
            'today at a time' => ['date' => $today, 'time' => '23:59'],
        ] as $title => $due) {
            $this->makeTask(['title' => $title, 'due' => $due]);
        }
        $rows = $this->tasks();
        self::assertSame(['over', 'today at a time', 'today', 'next week', 'none'], array_column($rows, 'title'));
        self::assertSame([true, false, false, false, false], array_column($rows, 'over'));
        $counts = $this->counts();
        self::assertSame([5, 1], [$counts['tasks'], $counts['overdue']]);
    }

    public function testATaskIsDueUntilItsDayIsOver(): void
    {
        $this->signIn();
        $this->makeTask(['title' => 'Buy stamps', 'due' => ['date' => $this->day(), 'time' => null]]);
        self::assertFalse($this->tasks()[0]['over']);
        $this->call('POST', '/demo/clock', ['to' => 'morning']);
        self::assertTrue($this->tasks()[0]['over']);
    }

    public function testEditCompleteRestoreAndUndo(): void
    {
        $this->signIn();
        $task = $this->makeTask(['title' => 'Order polish', 'notes' => 'two tins', 'list' => 'Supplies']);
        $edited = $this->call(
            'PUT',
            '/tasks/'.$task,
            [
                'entry' => self::id(),
                'revision' => $this->row($task)['revision'],
                'fields' => [
                    'title' => 'Order brass polish',
                    'notes' => 'three tins',
                    'list' => 'House',
                    'due' => ['date' => $this->day(3), 'time' => '15:00'],
                ],
            ],
        );
        $row = $this->row($task);
        self::assertSame(
            ['Order brass polish', 'three tins', 'House', self::due($this->day(3), '15:00')],
            [$row['title'], $this->call('GET', '/tasks/'.$task)['notes'], ((array) $row['list'])['name'], $row['due']],
        );

        $done = $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$task], 'done' => true]);
        self::assertSame([], $this->tasks());
        self::assertSame([$task], array_column($this->tasks('?state=done'), 'id'));
        $this->undo($edited, 409);
        $this->undo($done);
        $this->undo($edited);
        $row = $this->row($task);
        self::assertSame(
            ['Order polish', 'two tins', 'Supplies', null],
            [$row['title'], $this->call('GET', '/tasks/'.$task)['notes'], ((array) $row['list'])['name'], $row['due']],
        );
        self::assertSame(['Supplies'], array_column($this->rows('/lists'), 'name'));

        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$task], 'done' => true]);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$task], 'done' => false]);
        self::assertCount(1, $this->tasks());
    }

    public function testSeveralConversationsBecomeTasksInOneStep(): void
    {
        $this->signIn();
        $orders = [];
        foreach (['One', 'Two'] as $subject) {
            $orders[] = ['id' => self::id(), 'fields' => ['title' => $subject], 'conversation' => ['id' => $this->receive($subject)]];
        }
        $entry = (array) $this->call('POST', '/tasks', ['entry' => self::id(), 'tasks' => $orders], 201)['entry'];
        self::assertSame(2, $entry['count']);
        self::assertSame([], $this->rows('/tray'));
        $this->undo($entry);
        self::assertSame([], $this->tasks());
        self::assertCount(2, $this->rows('/tray'));
    }

    public function testFieldErrorsStandAtTheFieldAndNothingIsMade(): void
    {
        $this->signIn();
        $conversation = $this->receive();
        foreach ([
            'title' => ['title' => '  '],
            'notes' => ['title' => 'x', 'notes' => str_repeat('x', 100_001)],
            'list' => ['title' => 'x', 'list' => str_repeat('x', 81)],
            'due' => ['title' => 'x', 'due' => ['date' => '2026-02-30', 'time' => null]],
            'start' => ['title' => 'x', 'start' => ['date' => $this->day(3)], 'due' => ['date' => $this->day(2)]],
            'estimate' => ['title' => 'x', 'estimate' => '3 days'],
            'labels' => ['title' => 'x', 'labels' => [str_repeat('x', 41)]],
            'repeat' => ['title' => 'x', 'repeat' => ['phrase' => 'friday']],
            'reminders' => ['title' => 'x', 'reminders' => ['2 days bfor']],
            'sources' => ['title' => 'x', 'sources' => [['kind' => 'web', 'ref' => 'javascript:alert(1)']]],
            'files' => ['title' => 'x', 'files' => [self::id()]],
        ] as $field => $fields) {
            $problem = $this->call(
                'POST',
                '/tasks',
                ['entry' => self::id(), 'tasks' => [['id' => self::id(), 'fields' => $fields, 'conversation' => ['id' => $conversation]]]],
                422,
            );
            self::assertIsArray($problem['violations']);
            self::assertSame([$field], array_column($problem['violations'], 'field'));
        }
        self::assertSame([], $this->tasks());
        self::assertSame([], $this->rows('/lists'));
        self::assertCount(1, $this->rows('/tray'));
    }

    public function testAConversationNamesItsTasks(): void
    {
        $this->signIn();
        $conversation = $this->receive();
        $task = $this->makeTask(['title' => 'Choose the glass'], ['conversation' => ['id' => $conversation]]);
        self::assertSame(
            [['id' => $task, 'title' => 'Choose the glass', 'done' => false]],
            $this->call('GET', '/conversations/'.$conversation)['tasks'],
        );
        $message = $this->source($task)['message'];
        self::assertIsString($message);
        self::assertSame(
            [['id' => $task, 'title' => 'Choose the glass', 'done' => false]],
            $this->call('GET', '/messages/'.$message)['tasks'],
        );
    }

    /** @return array<mixed> */
    private function row(string $task): array
    {
        return (array) $this->call('GET', '/tasks/'.$task)['row'];
    }

    /** @return array<mixed> */
    private function source(string $task): array
    {
        $sources = (array) $this->call('GET', '/tasks/'.$task)['sources'];

        return (array) ((array) $sources[0])['copy'];
    }
}
