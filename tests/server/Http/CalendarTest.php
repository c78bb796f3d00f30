<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * The agenda as calendar files, out and in.
 */
final class CalendarTest extends ApiTestCase
{
    public function testOtherProgramsReadTheAgendaAtAnAddressThatCanBeChanged(): void
    {
        $this->signIn();
        self::assertNull($this->call('GET', '/agenda-address')['path']);
        $this->call('PUT', '/events/'.self::id(), ['entry' => self::id(), 'fields' => [
            'title' => 'Roof meeting', 'when' => ['phrase' => 'tomorrow 14:00-16:00'],
        ]], 201);
        $task = $this->makeTask(['title' => 'Polish the lens']);
        $this->lay($task, ['date' => $this->day(1), 'time' => '10:00'], 45);
        $first = self::text($this->call('PUT', '/agenda-address')['path']);
        self::assertSame($first, $this->call('GET', '/agenda-address')['path']);
        $this->call('DELETE', '/session', null, 204);
        $file = $this->fetch(substr($first, 4));
        self::assertSame('text/calendar; charset=utf-8', $file->headers->get('Content-Type'));
        foreach (['SUMMARY:Roof meeting', 'SUMMARY:Polish the lens', 'DURATION:PT45M', 'DURATION:PT120M'] as $line) {
            self::assertStringContainsString($line, (string) $file->getContent());
        }
        self::assertSame($file->headers->get('ETag'), $this->fetch(substr($first, 4))->headers->get('ETag'));
        $this->fetch('/calendars/'.str_repeat('A', 32).'.ics', 404);
        $this->fetch('/agenda.ics', 401);
        $this->signIn($this->service(Accounts::class)->find('wren@ternpoint.example'));
        $second = self::text($this->call('PUT', '/agenda-address')['path']);
        $this->fetch(substr($first, 4), 404);
        $this->fetch(substr($second, 4));
        $word = basename($second, '.ics');
        $kept = $this->service(Connection::class)->fetchOne('SELECT hash || word FROM agenda_address');
        self::assertIsString($kept);
        self::assertStringNotContainsString($word, $kept, 'Who has the database alone does not know it.');
        self::assertNull($this->call('DELETE', '/agenda-address')['path']);
        $this->fetch(substr($second, 4), 404);
    }

    public function testAllGoesOutAndComesBackElsewhereWithoutLoss(): void
    {
        $this->signIn();
        $parent = $this->makeTask([
            'title' => 'Restore the bell', 'notes' => "One\n- two; three, four",
            'due' => ['date' => $this->day(5)], 'start' => ['phrase' => 'tomorrow 9:00'],
            'estimate' => '3h', 'priority' => 'high', 'labels' => ['harbour', 'a, b'], 'list' => 'Bell',
            'reminders' => ['2h before', 'friday 9am'],
            'sources' => [['kind' => 'web', 'ref' => 'https://bells.example/a?b=c;d']],
        ]);
        $this->makeTask(
            ['title' => 'Polish it', 'due' => ['phrase' => 'friday 15:00'], 'repeat' => ['phrase' => 'every 2 weeks on friday at 15:00']],
            ['parent' => $parent],
        );
        $this->lay($parent, ['phrase' => 'tomorrow 14:00'], 45);
        $this->lay($parent, ['date' => $this->day(2)], 60);
        $done = $this->makeTask(['title' => 'Buy polish']);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$done]]);
        $this->call('PUT', '/events/'.self::id(), ['entry' => self::id(), 'fields' => [
            'title' => 'Roof meeting', 'when' => ['phrase' => 'every friday 2-4pm'], 'place' => 'tower',
            'people' => 'Ilse <ilse@isle.example>',
        ]], 201);
        $file = $this->file('/agenda.ics');

        $known = $this->import($file);
        self::assertSame([[], ['Buy polish', 'Polish it', 'Restore the bell', 'Roof meeting'], []], [
            $known['taken'], self::sorted($known['known']), $known['left'],
        ]);

        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        $taken = $this->import(str_replace(['wren@ternpoint.example'], ['ada@ternpoint.example'], $file));
        self::assertSame([['Buy polish', 'Polish it', 'Restore the bell', 'Roof meeting'], [], []], [
            self::sorted($taken['taken']), $taken['known'], $taken['left'],
        ]);
        $again = $this->file('/agenda.ics');
        self::assertSame(self::comparable($file), self::comparable($again));
        foreach (array_reverse((array) $taken['entries']) as $entry) {
            $this->undo((array) $entry);
        }
        self::assertStringNotContainsString('BEGIN:V', substr($this->file('/agenda.ics'), 20));
    }

    public function testOneEventIsAFile(): void
    {
        $this->signIn();
        $id = self::id();
        $this->call(
            'PUT',
            "/events/{$id}",
            ['entry' => self::id(), 'fields' => ['title' => 'Roof', 'when' => ['phrase' => 'friday']]],
            201,
        );
        $file = $this->file("/events/{$id}.ics");
        self::assertStringContainsString('UID:'.$id, $file);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        $this->call('GET', "/events/{$id}.ics", status: 404);
    }

    public function testWhatIsNoCalendarIsRefused(): void
    {
        $this->signIn();
        $problem = $this->import('hello', 422);
        self::assertSame(['file'], array_column((array) $problem['violations'], 'field'));
    }

    public function testTheSameFromTheConsole(): void
    {
        $this->signIn();
        $this->makeTask(['title' => 'Restore the bell', 'due' => ['date' => $this->day(5)]]);
        $path = (string) tempnam(sys_get_temp_dir(), 'zippy');
        try {
            self::assertSame(0, $this->command('agenda:export', ['file' => $path])[0]);
            self::assertStringContainsString('SUMMARY:Restore the bell', (string) file_get_contents($path));
            file_put_contents($path, str_replace(
                'END:VCALENDAR',
                "BEGIN:VEVENT\r\nUID:n\r\nSUMMARY:New\r\nDTSTART:20261127T100000Z\r\nEND:VEVENT\r\n"
                    ."BEGIN:VJOURNAL\r\nEND:VJOURNAL\r\nEND:VCALENDAR",
                (string) file_get_contents($path),
            ));
            [$code, $said] = $this->command('agenda:import', ['file' => $path]);
            self::assertSame(
                [0, ['taken' => ['New'], 'known' => ['Restore the bell'], 'left' => ['VJOURNAL: such things have no place here.']]],
                [$code, json_decode($said, true)],
            );
            self::assertSame(1, $this->command('agenda:import', ['file' => $path.'-not'])[0]);
            file_put_contents($path, 'x');
            self::assertSame(1, $this->command('agenda:import', ['file' => $path])[0]);
        } finally {
            unlink($path);
        }
    }

    private function file(string $path): string
    {
        $this->browser->request('GET', '/api'.$path);
        $response = $this->browser->getResponse();
        self::assertSame([200, 'text/calendar; charset=utf-8'], [$response->getStatusCode(), $response->headers->get('Content-Type')]);

        return (string) $response->getContent();
    }

    /** @return array<mixed> */
    private function import(string $bytes, int $status = 200): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zippy');
        file_put_contents($path, $bytes);
        $this->browser->request('POST', '/api/agenda/imports', [], ['file' => new UploadedFile($path, 'a.ics', test: true)]);
        self::assertResponseStatusCodeSame($status, (string) $this->browser->getResponse()->getContent());

        return (array) json_decode((string) $this->browser->getResponse()->getContent(), true);
    }

    /** @return list<string> components as they are, but for their names and the moments of writing, in order */
    private static function comparable(string $file): array
    {
        $file = (string) preg_replace(
            ['/\r\n[ \t]/', '/^(?:UID|RELATED-TO|DTSTAMP|COMPLETED):.*\r\n/m', '/ada@ternpoint/', '/CN=Ada:/'],
            ['', '', 'wren@ternpoint', 'CN=Wren Halloran:'],
            $file,
        );
        preg_match_all('/BEGIN:(VEVENT|VTODO).*?END:\1/s', $file, $matches);

        return self::sorted($matches[0]);
    }

    /** @return list<string> */
    private static function sorted(mixed $texts): array
    {
        $sorted = array_map(self::text(...), array_values((array) $texts));
        sort($sorted);

        return $sorted;
    }
}
