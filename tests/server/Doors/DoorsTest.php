<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Doors;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;
use ZippyTray\Tests\Server\RealServer;

/**
 * The program as a stranger meets it: over the network, and on the disk.
 */
final class DoorsTest extends TestCase
{
    private const PERSON = [
        'name' => 'Wren Halloran',
        'email' => 'wren@ternpoint.example',
        'password' => 'seven grey gulls',
        'zone' => 'Europe/Dublin',
    ];

    private RealServer $server;

    protected function setUp(): void
    {
        $this->server = new RealServer(
            sys_get_temp_dir().'/zippy-tray-doors-'.getmypid(),
            ['ZIPPY_HOSTS' => 'tray.example, *.ternpoint.example'],
        );
        $this->server->console('data:prepare');
        $this->server->start();
    }

    protected function tearDown(): void
    {
        $this->server->end();
    }

    public function testItAnswersUnderItsOwnNamesOnly(): void
    {
        foreach (['localhost', '127.0.0.1:8017', '[::1]:8017', 'TRAY.example', 'a.ternpoint.example'] as $host) {
            self::assertSame(200, $this->server->call('GET', '/api/session', headers: ['Host' => $host])['status'], $host);
        }
        foreach ([
            'evil.example',
            'localhost.evil.example',
            'xlocalhost',
            'ternpoint.example',
            'tray.example.evil.example',
            '127.0.0.1.evil.example',
            'a b',
            '127.0.0.2',
        ] as $host) {
            $answer = $this->server->call('GET', '/api/session', headers: ['Host' => $host]);
            self::assertContains($answer['status'], [400, 421], $host);
            self::assertStringNotContainsString('firstVisit', $answer['body']);
        }
        $answer = $this->server->call(
            'POST',
            '/api/accounts',
            self::PERSON + ['word' => $this->word()],
            ['Host' => 'evil.example', 'Origin' => 'http://evil.example'],
        );
        self::assertSame(421, $answer['status']);
    }

    public function testTheFirstAccountTakesTheWordAndIsMadeOnce(): void
    {
        $answer = $this->server->call('POST', '/api/accounts', self::PERSON + ['word' => 'guessed']);
        self::assertSame(422, $answer['status']);
        self::assertStringContainsString('zippy serve', $answer['body']);
        $word = $this->word();
        self::assertSame($word, $this->word(), 'It stays the same until it is used.');
        $answers = [];
        $many = array_map(
            static fn (int $n): array => ['email' => "p{$n}@ternpoint.example"] + self::PERSON + ['word' => $word],
            range(1, 6),
        );
        foreach ($many as $body) {
            $answers[] = $this->server->call('POST', '/api/accounts', $body)['status'];
        }
        self::assertSame([201, 422, 422, 422, 422, 422], $answers);
        self::assertSame(1, $this->one('SELECT COUNT(*) FROM account'));
        self::assertSame('', trim($this->server->console('account:first-word')), 'It is not needed any more.');
    }

    public function testSixFirstAccountsAtOnceAreOne(): void
    {
        $answers = array_column($this->server->atOnce(6, 'POST', '/api/accounts', self::PERSON + ['word' => $this->word()]), 'status');
        sort($answers);
        self::assertSame([201, 422, 422, 422, 422, 422], $answers);
        self::assertSame(1, $this->one('SELECT COUNT(*) FROM account'));
    }

    public function testSessionsOutliveTheServerAndCanBeEnded(): void
    {
        $this->open();
        $here = ['Cookie' => $this->server->signIn('wren@ternpoint.example', self::PERSON['password'])];
        $there = ['Cookie' => $this->server->signIn('wren@ternpoint.example', self::PERSON['password'])];
        $this->server->kill();
        $this->server->start();
        self::assertSame(
            200,
            $this->server->call('GET', '/api/tray', headers: $here)['status'],
            'A server that is killed signs nobody out.',
        );
        /** @var list<array{id: string, current: bool}> $sessions */
        $sessions = json_decode($this->server->call('GET', '/api/sessions', headers: $here)['body'], true, 8, \JSON_THROW_ON_ERROR);
        self::assertCount(3, $sessions, 'That of the first visit, and two.');
        self::assertCount(1, array_filter(array_column($sessions, 'current')));
        self::assertSame(
            0,
            $this->one('SELECT COUNT(*) FROM session WHERE id LIKE ?', [substr($here['Cookie'], 11, 20).'%']),
            'Who has the database has no session.',
        );
        self::assertSame(404, $this->server->call('DELETE', '/api/sessions/'.str_repeat('a', 64), headers: $here)['status']);

        $weak = $this->server->call('PUT', '/api/password', ['present' => self::PERSON['password'], 'new' => 'password123'], $here);
        self::assertSame(422, $weak['status']);
        self::assertSame(
            422,
            $this->server->call('PUT', '/api/password', ['present' => 'another one', 'new' => 'eight white terns'], $here)['status'],
        );
        self::assertSame(
            204,
            $this->server->call(
                'PUT',
                '/api/password',
                ['present' => self::PERSON['password'], 'new' => 'eight white terns'],
                $here,
            )['status'],
        );
        self::assertSame(401, $this->server->call('GET', '/api/tray', headers: $there)['status'], 'Who knew the old one is signed out.');
        self::assertSame(200, $this->server->call('GET', '/api/tray', headers: $here)['status']);
        $again = ['Cookie' => $this->server->signIn('wren@ternpoint.example', 'eight white terns')];
        /** @var list<array{id: string, current: bool}> $sessions */
        $sessions = json_decode($this->server->call('GET', '/api/sessions', headers: $here)['body'], true, 8, \JSON_THROW_ON_ERROR);
        foreach ($sessions as $session) {
            $session['current'] || self::assertSame(
                204,
                $this->server->call('DELETE', '/api/sessions/'.$session['id'], headers: $here)['status'],
            );
        }
        self::assertSame(401, $this->server->call('GET', '/api/tray', headers: $again)['status']);
        self::assertSame(204, $this->server->call('DELETE', '/api/session', headers: $here)['status']);
        self::assertSame(401, $this->server->call('GET', '/api/tray', headers: $here)['status']);
    }

    public function testAttemptsAreCountedAlsoWhenTheyComeAtOnce(): void
    {
        $this->open();
        $answers = array_count_values(array_column(
            $this->server->atOnce(24, 'POST', '/api/sign-in', ['email' => 'wren@ternpoint.example', 'password' => 'a guess of somebody']),
            'status',
        ));
        self::assertLessThanOrEqual(5, $answers[401] ?? 0);
        self::assertSame(24, ($answers[401] ?? 0) + ($answers[429] ?? 0));
    }

    public function testFilesAreSentWithWhatBelongsToThemAndNothingElseIsSent(): void
    {
        $page = $this->server->call('GET', '/');
        foreach ([
            'X-Content-Type-Options: nosniff',
            'Permissions-Policy: ',
            'Content-Security-Policy: ',
            "frame-ancestors 'none'",
        ] as $line) {
            self::assertStringContainsString($line, $page['headers']);
        }
        self::assertSame(1, preg_match('~src="(/build/assets/[^"]+\.js)"~', $page['body'], $m), $page['body']);
        foreach ([...\array_slice($m, 1), '/mark.svg'] as $file) {
            $answer = $this->server->call('GET', $file);
            self::assertSame(200, $answer['status']);
            self::assertStringContainsString('X-Content-Type-Options: nosniff', $answer['headers']);
            self::assertStringNotContainsStringIgnoringCase('X-Powered-By', $answer['headers'].$page['headers']);
        }
        foreach ([
            '/index.php',
            '/../../composer.json',
            '/%2e%2e/%2e%2e/composer.json',
            '/build/../../../composer.json',
            '/mark.svg%00.php',
            '/..%2f..%2fcomposer.json',
        ] as $path) {
            $answer = $this->server->call('GET', $path);
            self::assertStringNotContainsString('zippy-tray/zippy-tray', $answer['body'], $path);
            self::assertStringNotContainsString('<?php', $answer['body'], $path);
        }
    }

    public function testNobodyElseOnTheMachineCanLookIn(): void
    {
        $this->open();
        $cookie = ['Cookie' => $this->server->signIn('wren@ternpoint.example', self::PERSON['password'])];
        $this->server->call('PUT', '/api/mail-ways', ['out' => 'smtp', 'dsn' => 'smtps://wren:p@ss@127.0.0.1:1', 'in' => 'none'], $cookie);
        $this->server->console('data:work', '--once');
        self::assertSame('0700', substr(\sprintf('%o', (int) fileperms($this->server->folder.'/data')), -4) ?: '', 'The folder');
        $open = [];
        foreach ((new Finder())->files()->ignoreDotFiles(false)->in($this->server->folder.'/data') as $file) {
            if (0 !== ($file->getPerms() & 0o077)) {
                $open[] = $file->getRelativePathname();
            }
        }
        self::assertSame([], $open);
        foreach (['key', 'secret'] as $file) {
            self::assertFileExists($this->server->folder.'/data/'.$file);
        }
        $database = (string) file_get_contents($this->server->folder.'/data/zippy-tray.sqlite').@file_get_contents(
            $this->server->folder.'/data/zippy-tray.sqlite-wal',
        );
        self::assertStringNotContainsString('p@ss', $database, 'The password of the mail server is encrypted.');
        $shown = $this->server->call('GET', '/api/mail-ways', headers: $cookie)['body'];
        self::assertStringContainsString('smtps:\/\/127.0.0.1:1"', $shown);
        self::assertStringNotContainsString('ss', (string) preg_replace('/"[a-zA-Z]+":/', '', $shown));
    }

    public function testWhatGoesWrongIsInTheLogOfTheDataFolderWithoutSecrets(): void
    {
        $this->open();
        $cookie = ['Cookie' => $this->server->signIn('wren@ternpoint.example', self::PERSON['password'])];
        (new \PDO('sqlite:'.$this->server->folder.'/data/zippy-tray.sqlite'))->exec('ALTER TABLE template RENAME TO gone');
        $answer = $this->server->call(
            'POST',
            '/api/templates',
            [
                'entry' => '11111111-1111-4111-8111-111111111111',
                'id' => '11111111-1111-4111-8111-111111111112',
                'name' => 'A secret name',
                'subject' => '',
                'text' => 'A secret text',
                'signed' => true,
            ],
            $cookie,
        );
        self::assertGreaterThanOrEqual(400, $this->server->call('GET', '/api/templates', headers: $cookie)['status']);
        $logs = glob($this->server->folder.'/data/log/*.log') ?: [];
        $log = implode('', array_map(static fn (string $file): string => (string) file_get_contents($file), $logs));
        self::assertStringContainsString('no such table', $log);
        foreach ([
            'A secret',
            self::PERSON['password'],
            substr($cookie['Cookie'], 11),
            (string) file_get_contents($this->server->folder.'/data/secret'),
        ] as $secret) {
            self::assertStringNotContainsString($secret, $log.$answer['body']);
        }
    }

    private function open(): void
    {
        self::assertSame(201, $this->server->call('POST', '/api/accounts', self::PERSON + ['word' => $this->word()])['status']);
    }

    private function word(): string
    {
        return trim((string) strrchr($this->server->console('account:first-word'), ':'), ": \n");
    }

    /** @param list<string> $of */
    private function one(string $query, array $of = []): mixed
    {
        $statement = (new \PDO('sqlite:'.$this->server->folder.'/data/zippy-tray.sqlite'))->prepare($query);
        $statement->execute($of);

        return $statement->fetchColumn();
    }
}
