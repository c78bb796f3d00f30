<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server;

use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Uid\Uuid;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\DataFolder;

/**
 * Drives the server over HTTP on a real database; every request and response is held against the contract.
 *
 * @phpstan-type Json array<string, mixed>
 */
abstract class ApiTestCase extends WebTestCase
{
    /** A Tuesday; each test begins then, whenever it runs. */
    protected const BEGIN = '2026-11-24T10:00:00Z';

    protected const PASSWORD = 'a long enough password';

    protected KernelBrowser $browser;

    private static ?Contract $contract = null;

    protected function setUp(): void
    {
        self::emptyDatabase();
        $this->browser = self::createClient();
        // Its services are made as new between two requests nevertheless; to make all of them anew takes longer than the requests.
        $this->browser->disableReboot();
        $this->browser->setServerParameter('HTTP_ORIGIN', 'http://localhost');
        $this->browser->setServerParameter('HTTP_X_CSRF_TOKEN', self::id());
        $this->service(ProgramClock::class)->turnTo(new \DateTimeImmutable(self::BEGIN));
    }

    /** A new file for each test, so that transactions are real ones. */
    private static function emptyDatabase(): void
    {
        $file = DataFolder::path().'/zippy-tray.sqlite';
        foreach (['', '-wal', '-shm'] as $ending) {
            @unlink($file.$ending);
        }
        copy(DataFolder::path().'/empty.sqlite', $file);
    }

    protected static function contract(): Contract
    {
        return self::$contract ??= new Contract();
    }

    protected function account(string $email = 'wren@ternpoint.example', string $name = 'Wren Halloran'): Account
    {
        return $this->service(Accounts::class)->open($email, $name, 'Europe/Dublin', self::PASSWORD);
    }

    protected function signIn(?Account $account = null): Account
    {
        $account ??= $this->account();
        $this->browser->loginUser($account);

        return $account;
    }

    /**
     * @param Json|null $body
     *
     * @return array<mixed> what was answered; empty when nothing was
     */
    protected function call(string $method, string $path, ?array $body = null, int $status = 200): array
    {
        $json = null === $body ? null : json_encode($body, \JSON_THROW_ON_ERROR);
        if (null !== $json && $status < 400) {
            self::contract()->assertRequest($method, '/api'.$path, json_decode($json));
        }
        $this->browser->request($method, '/api'.$path, [], [], ['CONTENT_TYPE' => 'application/json'], $json);

        return $this->answer($method, '/api'.$path, $status);
    }

    /**
     * @param array<string, string> $files name => content
     *
     * @return array<mixed>
     */
    protected function upload(array $files, string $into = 'tray', int $status = 200): array
    {
        $uploads = [];
        foreach ($files as $name => $content) {
            $path = (string) tempnam(sys_get_temp_dir(), 'upload');
            file_put_contents($path, $content);
            $uploads[] = new UploadedFile($path, $name, test: true);
        }
        $this->browser->request('POST', '/api/imports', ['into' => $into], ['files' => $uploads]);

        return $this->answer('POST', '/api/imports', $status);
    }

    /** @return Response the bare response, held against the contract */
    protected function fetch(string $path, int $status = 200): Response
    {
        $this->browser->request('GET', '/api'.$path);
        $this->answer('GET', '/api'.$path, $status);

        return $this->browser->getResponse();
    }

    /** Brings in a message and gives the id of its conversation. */
    protected function receive(
        string $subject = 'Lantern glass',
        string $from = 'Tam Achterberg <tam@glass.example>',
        string $text = 'Which one shall it be?',
        string $headers = '',
        ?string $id = null,
    ): string {
        $id ??= self::id().'@glass.example';
        $this->upload(
            ['letter.eml' => "From: {$from}\r\nTo: wren@ternpoint.example\r\nSubject: {$subject}\r\n"
                ."Date: Mon, 2 Nov 2026 08:00:00 +0000\r\nMessage-ID: <{$id}>\r\n{$headers}\r\n{$text}\r\n"],
        );
        foreach ($this->rows('/tray') as $row) {
            if ($row['subject'] === $subject) {
                self::assertIsString($row['id']);

                return $row['id'];
            }
        }
        self::fail('It did not arrive in the tray.');
    }

    /**
     * Changes some of the person's settings.
     *
     * @param array<string, mixed> $changes
     *
     * @return array<mixed> the settings afterwards
     */
    protected function settle(array $changes, int $status = 200): array
    {
        $settings = (array) ((array) $this->call('GET', '/session')['account'])['settings'];
        /** @var Json $body */
        $body = $changes + $settings;
        $answer = $this->call('PUT', '/settings', $body, $status);

        return 200 === $status ? (array) ((array) $answer['account'])['settings'] : $answer;
    }

    /**
     * @param array<string, mixed> $fields
     * @param array<string, mixed> $more
     *
     * @return string the task's id
     */
    protected function makeTask(array $fields, array $more = []): string
    {
        $id = self::id();
        $this->call('POST', '/tasks', ['entry' => self::id(), 'tasks' => [['id' => $id, 'fields' => $fields] + $more]], 201);

        return $id;
    }

    /**
     * Lays a task on an hour, or into the pocket of a day.
     *
     * @param array<string, mixed> $when
     *
     * @return array<mixed> the journal's entry, or the problem
     */
    protected function lay(string $task, array $when, ?int $minutes = null, ?string $id = null, int $status = 200): array
    {
        $slot = ['id' => $id ?? self::id(), 'task' => $task, 'when' => $when] + (null === $minutes ? [] : ['minutes' => $minutes]);

        return $this->call('POST', '/slots', ['entry' => self::id(), 'slots' => [$slot]], $status);
    }

    /** The day so many days from now, where the person is. */
    protected function day(int $ahead = 0): string
    {
        return $this->service(ProgramClock::class)->now()
            ->setTimezone(new \DateTimeZone('Europe/Dublin'))
            ->modify(\sprintf('%+d days', $ahead))
            ->format('Y-m-d');
    }

    /** @return list<Json> */
    protected function rows(string $path): array
    {
        /** @var list<Json> $rows */
        $rows = $this->call('GET', $path);

        return $rows;
    }

    /** @return list<Json> a part of the tasks */
    protected function tasks(string $query = ''): array
    {
        /** @var list<Json> $tasks */
        $tasks = $this->call('GET', '/tasks'.$query)['tasks'];

        return $tasks;
    }

    /** @return array<mixed> what each view holds */
    protected function counts(): array
    {
        return (array) $this->call('GET', '/heartbeat')['counts'];
    }

    /** @return list<Json> the conversations that are away, in order of return; those that wait for a clearing last */
    protected function away(): array
    {
        /**
         * @var array{
         *     clearing: list<array{conversation: Json|null}>,
         *     stretches: list<array{items: list<array{kind: string, conversation: Json|null}>}>
         * } $coming
         */
        $coming = $this->call('GET', '/coming?kinds=mail,owed');

        return array_values(array_filter(array_column(
            array_merge(...array_column($coming['stretches'], 'items'), ...[$coming['clearing']]),
            'conversation',
        )));
    }

    /**
     * @param list<string>              $conversations
     * @param array<string, mixed>|null $until
     * @param array<string, mixed>      $more
     *
     * @return array<mixed> the entry of the journal, or the problem
     */
    protected function decide(string $kind, array $conversations, ?array $until = null, int $status = 200, array $more = []): array
    {
        $body = [
            'id' => self::id(),
            'kind' => $kind,
            'conversations' => self::claims($conversations),
        ] + (null === $until ? [] : ['until' => $until]) + $more;
        $answer = $this->call('POST', '/decisions', $body, $status);

        return 200 === $status ? (array) $answer['entry'] : $answer;
    }

    /**
     * @param list<string> $conversations
     *
     * @return list<array{id: string}>
     */
    protected static function claims(array $conversations): array
    {
        return array_map(static fn (string $id): array => ['id' => $id], $conversations);
    }

    protected static function text(mixed $value): string
    {
        self::assertIsString($value);

        return $value;
    }

    /** @param array<mixed> $entry */
    protected function undo(array $entry, int $status = 200): void
    {
        self::assertIsString($entry['id']);
        $this->call('POST', '/journal/'.$entry['id'].'/undo', ['id' => self::id()], $status);
    }

    /**
     * @param array<string, string> $input
     *
     * @return array{int, string}
     */
    protected function command(string $name, array $input): array
    {
        self::assertNotNull(self::$kernel);
        $tester = new CommandTester((new Application(self::$kernel))->find($name));

        return [$tester->execute($input), $tester->getDisplay()];
    }

    protected static function id(): string
    {
        return Uuid::v4()->toRfc4122();
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    protected function service(string $class): object
    {
        $service = self::getContainer()->get($class);
        self::assertInstanceOf($class, $service);

        return $service;
    }

    /** @return array<mixed> */
    private function answer(string $method, string $path, int $status): array
    {
        $response = $this->browser->getResponse();
        $content = (string) $response->getContent();
        self::assertSame($status, $response->getStatusCode(), $content);
        $type = explode(';', (string) $response->headers->get('Content-Type'))[0];
        self::contract()->assertResponse($method, $path, $status, $type, $content);

        return str_ends_with($type, 'json') ? (array) json_decode($content, true, 512, \JSON_THROW_ON_ERROR) : [];
    }

    /** @return array{date: string, time: string|null, text: string} a due as the page is given it */
    protected static function due(string $date, ?string $time = null): array
    {
        return [
            'date' => $date,
            'time' => $time,
            'text' => (new \DateTimeImmutable($date))->format('D j M Y').(null === $time ? '' : ', '.$time),
        ];
    }
}
