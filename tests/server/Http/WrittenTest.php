<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Symfony\Component\HttpFoundation\File\UploadedFile;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What people write, and how it is read: time, jotted lines, lists, addresses of messages; and files.
 */
final class WrittenTest extends ApiTestCase
{
    public function testAPhraseIsReadWhileItIsWritten(): void
    {
        $this->signIn();
        $read = $this->when('in 3 days');
        self::assertSame(
            [true, 'date', $this->day(3), 'in 3 days'],
            [$read['understood'], $read['kind'], $read['date'], $read['distance']],
        );
        self::assertSame(['understood' => false, 'error' => 'I cannot read "blursday".', 'offset' => 5], $this->when('next blursday'));
        self::assertCount(1, (array) $this->when('3/4')['alternatives']);
        self::assertSame('repeat', $this->when('every weekday at 3pm')['kind']);

        $reminder = $this->when('2 days before', 'reminder', '&due=in%2010%20days');
        self::assertSame(
            ['lead', '2 days before', $this->day(8), '09:00'],
            [$reminder['kind'], $reminder['text'], $reminder['date'], $reminder['time']],
        );
        self::assertSame(
            [null, ''],
            [$this->when('2 days before', 'reminder')['date'], $this->when('2 days before', 'reminder')['distance']],
        );
        self::assertSame(10, $this->when('2h before x', 'reminder')['offset']);
        $every = $this->when('every day', 'reminder');
        self::assertSame(
            ['repeat', 'every day at 09:00, from '],
            [$every['kind'], substr(\is_string($every['text']) ? $every['text'] : '', 0, 25)],
        );
        self::assertSame(
            [90, '1 hour and 30 minutes'],
            [$this->when('1h 30', 'estimate')['minutes'], $this->when('1h 30', 'estimate')['text']],
        );
        self::assertFalse($this->when('3 days', 'estimate')['understood']);
    }

    public function testSettingsOfTimeCountEverywhere(): void
    {
        $this->signIn();
        $settings = $this->settle([
            'weekStart' => 7,
            'workingDays' => [7, 1, 2, 3, 4],
            'marks' => ['morning' => '07:30', 'afternoon' => '14:00', 'end_of_day' => '16:00', 'evening' => '18:00', 'tonight' => '21:00'],
            'reminderPercent' => 0,
        ]);
        self::assertSame([7, [1, 2, 3, 4, 7], 0], [$settings['weekStart'], $settings['workingDays'], $settings['reminderPercent']]);
        self::assertSame('07:30', $this->when('tomorrow morning')['time']);
        $this->settle(['workingDays' => []], 422);
        $problem = $this->settle(
            ['marks' => [
                'morning' => '13:00',
                'afternoon' => '14:00',
                'end_of_day' => '17:00',
                'evening' => '18:00',
                'tonight' => '20:00',
            ]],
            422,
        );
        self::assertSame(['marks'], array_column((array) $problem['violations'], 'field'));
        $this->settle(['reminderPercent' => 90], 422);
    }

    public function testAJottedLineIsReadAndWrittenDown(): void
    {
        $this->signIn();
        $line = 'Order brass polish; by friday 3pm; remind 2h before; list Supplies; label harbour; high; 20 min; blursday';
        $read = $this->call('POST', '/jot', ['line' => $line]);
        self::assertSame(
            ['title', 'due', 'reminder', 'list', 'labels', 'priority', 'estimate', 'unread'],
            array_column((array) $read['clauses'], 'kind'),
        );
        $id = self::id();
        $this->call('PUT', '/jot', ['entry' => self::id(), 'id' => $id, 'line' => $line], 201);
        $sheet = $this->call('GET', '/tasks/'.$id);
        $row = (array) $sheet['row'];
        self::assertSame(
            ['Order brass polish', 'Supplies', ['harbour'], 'high', 20, 'blursday'],
            [
                $row['title'],
                ((array) $row['list'])['name'],
                array_column((array) $row['labels'], 'name'),
                $row['priority'],
                $row['estimate'],
                $sheet['notes'],
            ],
        );
        self::assertFalse($this->call('POST', '/jot', ['line' => '; friday'])['writable']);
        $this->call('PUT', '/jot', ['entry' => self::id(), 'id' => self::id(), 'line' => '; friday'], 422);
        $this->call('PUT', '/jot', ['line' => 'x'], 422);
    }

    public function testAWrittenListBecomesTasks(): void
    {
        $this->signIn();
        $outline = $this->call('POST', '/outlines', ['text' => "1. Roof\n  - [x] slates\n  - nails\n2. Door"]);
        self::assertSame(['Roof', 'Door'], array_column($outline, 'title'));
        self::assertSame([true, false], array_column((array) ((array) $outline[0])['under'], 'done'));
        $this->call('POST', '/outlines', ['text' => " \n - \n"], 422);
        $this->call('POST', '/outlines', ['text' => str_repeat("x\n", 501)], 422);
    }

    public function testALineOfAListIsReadAsAJottedOne(): void
    {
        $this->signIn();
        $outline = $this->call(
            'POST',
            '/outlines',
            ['text' => "- Roof; friday 3pm; high\n  - slates; 20 min\n- Door; blursday\n- Lamp; yesterday"],
        );
        $jotted = array_map(static fn (mixed $one): array => (array) ((array) $one)['clauses'], $outline);
        self::assertSame(
            [['due', 'priority'], ['unread'], ['due']],
            array_map(
                static fn (array $one): array => array_values(array_filter(
                    array_column($one, 'kind'),
                    static fn (mixed $kind): bool => 'title' !== $kind,
                )),
                $jotted,
            ),
        );
        $this->call('POST', '/tasks', ['entry' => self::id(), 'tasks' => [
            [
                'id' => self::id(),
                'fields' => ['title' => 'Roof; friday 3pm; high', 'due' => ['date' => $this->day(3)]],
                'subtasks' => [['title' => 'slates; 20 min; high', 'jotted' => true, 'done' => true], ['title' => 'nails; as written']],
            ],
        ]], 201);
        self::assertSame(
            [['slates', 'high']],
            array_map(static fn (array $row): array => [$row['title'], $row['priority']], $this->tasks('?state=done')),
        );
        self::assertContains('nails; as written', array_column($this->tasks('?parts=1'), 'title'), 'What is not to be read is not.');
    }

    public function testWhatIsOddInALineIsSaid(): void
    {
        $this->signIn();
        $odd = fn (string $line): array => array_values(array_filter(array_column(
            (array) $this->call('POST', '/jot', ['line' => $line])['clauses'],
            'odd',
        )));
        self::assertSame([], $odd('Oil; friday; remind 2h before'));
        foreach (['Oil; by yesterday', 'Oil; remind 2h before', 'Oil; list Never made'] as $line) {
            self::assertCount(1, $odd($line), $line);
        }
    }

    public function testEveryMonthOnThe31stMeetsEveryMonth(): void
    {
        $this->signIn();
        $read = $this->when('every month on the 31st');
        self::assertStringContainsString('31', self::text($read['text']));
        self::assertCount(1, (array) $read['alternatives'], 'The other reading, only months that have it, is offered.');
        $task = $this->makeTask([
            'title' => 'Rent',
            'due' => ['date' => '2026-12-31'],
            'repeat' => ['phrase' => 'every month on the 31st', 'fromCompletion' => false],
        ]);
        $dues = [];
        for ($month = 0; $month < 4; ++$month) {
            $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$task], 'done' => true]);
            $dues[] = ((array) ((array) $this->call('GET', '/tasks/'.$task)['row'])['due'])['date'];
        }
        self::assertSame(['2027-01-31', '2027-02-28', '2027-03-31', '2027-04-30'], $dues);
    }

    public function testThePersonCanBeCalledAnotherName(): void
    {
        $this->signIn();
        $this->settle(['name' => 'Wren H.']);
        self::assertSame('Wren H.', ((array) $this->call('GET', '/session')['account'])['name']);
        $this->settle(['name' => ' '], 422);
        $this->settle(['taskDue' => 'blursday'], 422);
        $this->settle(['taskReminder' => 'blursday'], 422);
        self::assertSame(
            ['in 3 days', '1 day before'],
            array_values(array_intersect_key(
                $this->settle(['taskDue' => 'in 3 days', 'taskReminder' => '1 day before']),
                ['taskDue' => 1, 'taskReminder' => 1],
            )),
        );
    }

    public function testAMessageHasALastingAddress(): void
    {
        $this->signIn();
        $conversation = $this->receive('Lantern glass', id: 'one/two+3@glass.example');
        $messages = (array) $this->call('GET', '/conversations/'.$conversation)['messages'];
        $id = array_column($messages, 'id')[0];
        self::assertIsString($id);
        foreach ([
            'one/two+3@glass.example',
            '<one/two+3@glass.example>',
            'mid:one%2Ftwo%2B3@glass.example',
            'MID:one/two%2B3@glass.example',
            'mid:one%2Ftwo+3@glass.example/part1@glass.example',
            $id,
        ] as $address) {
            self::assertSame(
                $id,
                ((array) $this->call('GET', '/message-addresses?address='.rawurlencode($address))['message'])['id'],
                $address,
            );
        }
        $this->call('GET', '/message-addresses?address='.rawurlencode('mid:nobody@glass.example'), status: 404);

        // It becomes a source of a task in the same way; both then know of each other.
        $task = $this->makeTask(['title' => 'Measure', 'sources' => [['kind' => 'message', 'ref' => 'mid:one%2Ftwo%2B3@glass.example']]]);
        $source = (array) ((array) $this->call('GET', '/tasks/'.$task)['sources'])[0];
        self::assertSame('Lantern glass', ((array) $source['copy'])['subject']);
        self::assertIsString(((array) $source['copy'])['headers']);
        self::assertStringContainsString('Message-ID: <one/two+3@glass.example>', ((array) $source['copy'])['headers']);
        self::assertSame([['id' => $task, 'title' => 'Measure', 'done' => false]], $this->call('GET', '/messages/'.$id)['tasks']);
        self::assertSame('tray', ((array) $this->call('GET', '/conversations/'.$conversation)['row'])['place']);
        $fields = [
            'title' => 'Measure',
            'sources' => [['kind' => 'message', 'ref' => $source['ref']], ['kind' => 'web', 'ref' => 'https://glass.example']],
        ];
        $this->call(
            'PUT',
            '/tasks/'.$task,
            ['entry' => self::id(), 'revision' => ((array) $this->call('GET', '/tasks/'.$task)['row'])['revision'], 'fields' => $fields],
        );
        self::assertSame(
            [$source['ref'], 'https://glass.example'],
            array_column((array) $this->call('GET', '/tasks/'.$task)['sources'], 'ref'),
        );
        $problem = $this->call(
            'POST',
            '/tasks',
            [
                'entry' => self::id(),
                'tasks' => [[
                    'id' => self::id(),
                    'fields' => ['title' => 'x', 'sources' => [['kind' => 'message', 'ref' => 'mid:nobody@glass.example']]],
                ]],
            ],
            422,
        );
        self::assertSame(['sources'], array_column((array) $problem['violations'], 'field'));
    }

    public function testFilesAreKeptExactlyAndHarmless(): void
    {
        $this->signIn();
        $bytes = (string) base64_decode(
            'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
            true,
        );
        $file = $this->take('../pa ne.png', $bytes);
        self::assertSame(['pa ne.png', 'image/png', \strlen($bytes)], [$file['name'], $file['type'], $file['size']]);
        self::assertIsString($file['id']);
        $task = $this->makeTask(['title' => 'Pane', 'files' => [$file['id']]]);
        self::assertSame([$file], $this->call('GET', '/tasks/'.$task)['files']);
        $answer = $this->fetch('/files/'.$file['id']);
        self::assertSame([$bytes, 'image/png'], [$answer->getContent(), $answer->headers->get('Content-Type')]);

        $page = $this->take('page.html', '<html><script>alert(1)</script></html>');
        self::assertIsString($page['id']);
        self::assertSame('application/octet-stream', $this->fetch('/files/'.$page['id'])->headers->get('Content-Type'));
        $this->take('empty.txt', '', 422);
        $this->browser->request('POST', '/api/files');
        self::assertSame(422, $this->browser->getResponse()->getStatusCode());

        $this->signIn($this->account('other@ternpoint.example'));
        $this->call('GET', '/files/'.$file['id'], status: 404);
    }

    public function testWhatTheDaysHold(): void
    {
        $this->signIn();
        $this->makeTask(['title' => 'Over', 'due' => ['date' => $this->day(-2)], 'estimate' => 30]);
        $this->makeTask(['title' => 'Soon', 'due' => ['date' => $this->day(2)], 'estimate' => '1h']);
        $this->makeTask(['title' => 'Waits', 'start' => ['date' => $this->day(2)], 'due' => ['date' => $this->day(3)]]);
        $this->decide('snooze', [$this->receive()], ['date' => $this->day(2), 'time' => '09:00']);
        $days = $this->rows('/days?count=4');
        self::assertSame(
            ['date' => $this->day(), 'tasks' => 1, 'minutes' => 30, 'starts' => 0, 'returns' => 0, 'back' => '12:00'],
            $days[0],
            'What is put down on today comes at the next mark that is still ahead.',
        );
        self::assertSame(
            ['date' => $this->day(2), 'tasks' => 1, 'minutes' => 60, 'starts' => 1, 'returns' => 1, 'back' => '09:00'],
            $days[2],
        );
        $day = $this->call('GET', '/days/'.$this->day(2));
        self::assertSame(
            [['Soon'], ['Waits'], ['Lantern glass']],
            [
                array_column((array) $day['tasks'], 'title'),
                array_column((array) $day['starts'], 'title'),
                array_column((array) $day['returns'], 'subject'),
            ],
        );
        self::assertSame(['Over'], array_column((array) $this->call('GET', '/days/'.$this->day())['tasks'], 'title'));
        $this->call('GET', '/days/2026-02-30', status: 422);
    }

    /** @return array<mixed> */
    private function when(string $phrase, string $as = 'when', string $more = ''): array
    {
        return $this->call('GET', '/when?phrase='.rawurlencode($phrase).'&as='.$as.$more);
    }

    /** @return array<mixed> */
    private function take(string $name, string $content, int $status = 201): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'upload');
        file_put_contents($path, $content);
        $this->browser->request('POST', '/api/files', files: ['file' => new UploadedFile($path, $name, test: true)]);
        self::assertSame($status, $this->browser->getResponse()->getStatusCode(), (string) $this->browser->getResponse()->getContent());

        return (array) json_decode((string) $this->browser->getResponse()->getContent(), true, 16, \JSON_THROW_ON_ERROR);
    }
}
