<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Doors;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use ZippyTray\Server\Account\Account;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Whatever is sent to the server, it says what is wrong with it; it is never at a loss itself. What is sent is made
 * from the contract: each field of each body in turn is something else than it should be.
 */
final class MalformedTest extends ApiTestCase
{
    /** They ask other machines for something; what they take is what is taken to connect a mailbox. */
    private const ELSEWHERE = ['/mailboxes/trials', '/mailboxes/parts', '/mailboxes/folders'];

    /** @var array<string, string> what there is of the person's own, by the part of a path that it belongs to */
    private array $own = [];

    /** @var array<string, int> in how many bodies a field like this was spoiled, by its name and its value */
    private array $spoiledBefore = [];

    public function testEachFieldOfEachBodyIsSomethingElse(): void
    {
        $this->fill();
        $sent = 0;
        foreach (self::contract()->bodies() as $operation => $schema) {
            [$method, $path] = explode(' ', $operation);
            if (\in_array($path, ['/sign-in', '/password', '/accounts', ...self::ELSEWHERE], true)) {
                continue;
            }
            foreach (\is_array($schema['oneOf'] ?? null) ? $schema['oneOf'] : [$schema] as $one) {
                foreach (\is_array($one) ? $this->spoiled($this->example($one)) : [] as $what => $body) {
                    $this->sendRaw($method, $path, (string) json_encode($body), "{$operation}: {$what}");
                    ++$sent;
                }
            }
        }
        self::assertGreaterThan(3000, $sent);
        fwrite(\STDOUT, \sprintf("\n%d malformed bodies\n", $sent));
    }

    public function testBodiesThatAreNoneAndParametersThatCannotBe(): void
    {
        $this->fill();
        foreach (array_keys(self::contract()->bodies()) as $operation) {
            [$method, $path] = explode(' ', $operation);
            foreach ([
                '',
                '{',
                'null',
                '[]',
                '"x"',
                '1',
                '{"a":',
                "\xff\xfe",
                str_repeat('[', 2000),
                str_repeat('{"a":', 600).'1'.str_repeat('}', 600),
                '{"entry":"\ud800"}',
            ] as $body) {
                $this->sendRaw($method, $path, $body, $operation.': '.mb_strcut($body, 0, 20));
            }
        }
        foreach ([
            'page=0',
            'page=-1',
            'page=99999999999999999999',
            'page=9223372036854775807',
            'page=x',
            'page[]=1',
            'words[]=x',
            'words=%00',
            'words=%ff',
            'words='.str_repeat('a', 5000),
            'words=%22%27*)(',
            'place=%00',
            'place[]=x',
        ] as $query) {
            $this->sendRaw('GET', '/find?'.$query, null, $query);
        }
        foreach ([
            '/journal?before=0',
            '/journal?before=-1',
            '/journal?before=99999999999999999999',
            '/tasks?state=%00',
            '/tasks?state[]=x',
            '/coming?kinds=%00',
            '/coming?kinds[]=x',
            '/people?words[]=x',
            '/people?words=%00',
            '/when?phrase[]=x',
            '/when?phrase=%00',
            '/message-addresses?address[]=x',
            '/message-addresses?address=%ff%00',
            '/bin?id=x',
            '/persons/%00',
            '/days?from=x',
            '/days/2026-99-99',
            '/days/0000-00-00',
            '/days/99999-01-01',
        ] as $path) {
            $this->sendRaw(str_starts_with($path, '/bin') ? 'DELETE' : 'GET', $path, null, $path);
        }
    }

    public function testWhatBelongsToSomebodyElseIsNotThere(): void
    {
        $this->fill('other@ternpoint.example');
        $theirs = $this->own;
        $before = $this->everything($theirs);
        $this->signIn();
        $calls = 0;
        foreach (self::contract()->operations() as $operation) {
            [$method, $path] = explode(' ', $operation);
            if (!str_contains($path, '{') || str_contains($path, '{number}') || str_starts_with($path, '/sessions')) {
                continue;
            }
            $this->own = $theirs;
            $body = self::contract()->bodies()[$operation] ?? null;
            $filled = null === $body ? null : (string) json_encode($this->example($body));
            $status = $this->sendRaw($method, $path, $filled, $operation);
            // What is made under a name of the client's cannot be told from a name that is taken.
            self::assertContains($status, [404, 409, 422, 400, 204, 200, 201], $operation);
            $answer = (string) $this->browser->getResponse()->getContent();
            self::assertStringNotContainsString('A secret', $answer, $operation);
            ++$calls;
        }
        foreach (self::contract()->bodies() as $operation => $schema) {
            [$method, $path] = explode(' ', $operation);
            if (str_contains($path, '{') || \in_array($path, [
                '/sign-in', '/password', '/accounts', '/settings', '/mail-ways', ...self::ELSEWHERE,
            ], true)) {
                continue;
            }
            $this->sendRaw($method, $path, (string) json_encode($this->example($schema)), $operation);
            self::assertStringNotContainsString('A secret', (string) $this->browser->getResponse()->getContent(), $operation);
            ++$calls;
        }
        self::assertGreaterThan(50, $calls);
        self::assertSame($before, $this->everything($theirs), 'Nothing of theirs was changed.');
    }

    /**
     * @param array<string, string> $ids
     *
     * @return list<mixed>
     */
    private function everything(array $ids): array
    {
        $tables = [
            'conversations' => 'conversation',
            'messages' => 'message',
            'tasks' => 'task',
            'lists' => 'task_list',
            'journal' => 'journal_entry',
            'clearings' => 'clearing',
            'templates' => 'template',
            'contacts' => 'contact',
            'outgoing' => 'outgoing',
        ];

        return array_map(
            fn (string $kind): mixed => $this->service(Connection::class)->fetchAssociative(
                "SELECT * FROM {$tables[$kind]} WHERE id = ?",
                [$ids[$kind]],
            ),
            array_keys($tables),
        );
    }

    public function testNobodyIsToldToSignIn(): void
    {
        $this->account();
        foreach (self::contract()->operations() as $operation) {
            [$method, $path] = explode(' ', $operation);
            $isOpen = \in_array($path, ['/session', '/sign-in', '/accounts', '/calendars/{word}.ics'], true);
            $status = $this->sendRaw($method, $path, 'GET' === $method ? null : '{}', $operation);
            $isOpen ? self::assertLessThan(500, $status) : self::assertSame(401, $status, $operation);
        }
    }

    public function testAClearingOfSomebodyElseIsRefused(): void
    {
        $this->signIn($this->account('other@ternpoint.example'));
        $this->receive('Theirs');
        $clearing = self::id();
        $this->call('POST', '/clearings', ['id' => $clearing, 'order' => 'newest'], 201);
        $this->signIn();
        $id = $this->receive('Mine');
        $this->decide('archive', [$id], status: 404, more: ['clearing' => $clearing]);
        $this->call(
            'POST',
            '/tasks',
            ['entry' => self::id(), 'tasks' => [['id' => self::id(), 'fields' => ['title' => 'x']]], 'clearing' => $clearing],
            404,
        );
        self::assertSame(['Mine'], array_column($this->rows('/tray'), 'subject'));
    }

    public function testAnIdThatIsTakenElsewhereIsRefusedWithoutAFault(): void
    {
        $this->fill('other@ternpoint.example');
        $theirs = $this->own;
        $this->signIn();
        foreach (['tasks', 'conversations'] as $kind) {
            $this->sendRaw(
                'POST',
                '/tasks',
                (string) json_encode(['entry' => self::id(), 'tasks' => [['id' => $theirs[$kind], 'fields' => ['title' => 'x']]]]),
                $kind,
            );
        }
        $this->sendRaw(
            'POST',
            '/tasks',
            (string) json_encode(['entry' => $theirs['journal'], 'tasks' => [['id' => self::id(), 'fields' => ['title' => 'x']]]]),
            'entry',
        );
        $this->sendRaw('POST', '/clearings', (string) json_encode(['id' => $theirs['clearings'], 'order' => 'newest']), 'clearing');
        $this->sendRaw(
            'PUT',
            '/contacts/'.$theirs['contacts'],
            (string) json_encode([
                'entry' => self::id(),
                'name' => 'x',
                'email' => 'x@y.example',
                'phones' => [],
                'position' => '',
                'firm' => '',
                'address' => '',
                'note' => '',
            ]),
            'contact',
        );
        $this->sendRaw(
            'PUT',
            '/outgoing/'.$theirs['outgoing'],
            (string) json_encode([
                'revision' => 0,
                'kind' => 'new',
                'message' => null,
                'letter' => [
                    'to' => '',
                    'cc' => '',
                    'bcc' => '',
                    'subject' => '',
                    'text' => '',
                    'formatted' => false,
                    'files' => [],
                    'carried' => [],
                    'what' => '',
                    'until' => '',
                ],
            ]),
            'draft',
        );
    }

    public function testNoFileIsDroppedInSilence(): void
    {
        $this->signIn();
        $letter = static fn (int $number): string => "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\n"
            ."Subject: Letter {$number}\r\nMessage-ID: <{$number}@glass.example>\r\n\r\nYes?\r\n";
        $uploads = [];
        foreach ([1, 2, 3] as $number) {
            $path = (string) tempnam(sys_get_temp_dir(), 'upload');
            file_put_contents($path, $letter($number));
            $uploads[] = new UploadedFile($path, 'letter.eml', test: true);
        }
        $this->browser->request('POST', '/api/imports', ['into' => 'tray'], ['files' => $uploads]);
        self::assertSame(200, $this->browser->getResponse()->getStatusCode());
        self::assertCount(3, $this->rows('/tray'), 'All have the same name.');
        // PHP takes so many files, and says nothing of the rest.
        $uploads = [];
        for ($number = 10; $number < 10 + (int) \ini_get('max_file_uploads'); ++$number) {
            $path = (string) tempnam(sys_get_temp_dir(), 'upload');
            file_put_contents($path, $letter($number));
            $uploads[] = new UploadedFile($path, 'letter.eml', test: true);
        }
        $this->browser->request('POST', '/api/imports', ['into' => 'tray'], ['files' => $uploads]);
        self::assertSame(422, $this->browser->getResponse()->getStatusCode());
        self::assertStringContainsString('too many files', (string) $this->browser->getResponse()->getContent());
        self::assertCount(3, $this->rows('/tray'));
    }

    /** Something of everything, for somebody. */
    private function fill(string $email = 'wren@ternpoint.example'): Account
    {
        $account = $this->signIn($this->account($email));
        $this->own['conversations'] = $this->receive('A secret');
        $messages = (array) $this->call('GET', '/conversations/'.$this->own['conversations'])['messages'];
        $this->own['messages'] = self::text(((array) $messages[0])['id'] ?? null);
        $this->own['tasks'] = $this->makeTask(
            ['title' => 'A secret task', 'reminders' => ['in 3 days'], 'due' => ['phrase' => 'in 5 days']],
            ['message' => $this->own['messages']],
        );
        $this->own['lists'] = self::text($this->rows('/lists')[0]['id'] ?? null);
        $this->own['sources'] = self::text(((array) ((array) $this->call(
            'GET',
            '/tasks/'.$this->own['tasks'],
        )['sources'])[0])['ref'] ?? null);
        $this->own['journal'] = self::text(((array) ((array) $this->call('GET', '/journal')['entries'])[0])['id'] ?? null);
        $this->own['clearings'] = self::id();
        $this->call('POST', '/clearings', ['id' => $this->own['clearings'], 'order' => 'newest'], 201);
        foreach ([
            'templates' => ['name' => 'A secret template', 'subject' => '', 'text' => 'x', 'signed' => true],
            'contacts' => [
                'name' => 'A secret person',
                'email' => 'p@glass.example',
                'phones' => [],
                'position' => '',
                'firm' => '',
                'address' => '',
                'note' => '',
            ],
        ] as $kind => $fields) {
            $this->own[$kind] = self::id();
            $this->call('PUT', "/{$kind}/{$this->own[$kind]}", ['entry' => self::id()] + $fields);
        }
        $this->own['outgoing'] = self::id();
        $this->call(
            'PUT',
            '/outgoing/'.$this->own['outgoing'],
            [
                'revision' => 0,
                'kind' => 'new',
                'message' => null,
                'letter' => [
                    'to' => '',
                    'cc' => '',
                    'bcc' => '',
                    'subject' => 'A secret letter',
                    'text' => 'x',
                    'formatted' => false,
                    'files' => [],
                    'carried' => [],
                    'what' => '',
                    'until' => '',
                ],
            ],
        );

        return $account;
    }

    private function sendRaw(string $method, string $path, ?string $body, string $what): int
    {
        $kind = explode('/', $path)[1];
        $path = (string) preg_replace_callback(
            '/\{(\w+)\}/',
            fn (array $m): string => rawurlencode(
                match (true) {
                    'sessions' === $kind => str_repeat('a', 64),
                    \in_array($m[1], ['number', 'trouble'], true) => '0',
                    'email' === $m[1] => 'p@glass.example',
                    default => $this->own[explode('?', $kind)[0]] ?? self::id(),
                },
            ),
            $path,
        );
        $this->browser->request($method, '/api'.$path, [], [], ['CONTENT_TYPE' => 'application/json'], $body);
        $status = $this->browser->getResponse()->getStatusCode();
        self::assertLessThan(500, $status, $what.' '.mb_strcut((string) $this->browser->getResponse()->getContent(), 0, 300));

        return $status;
    }

    /**
     * @param array<mixed> $schema
     *
     * @return mixed a value that the schema allows, with the person's own ids where it takes some
     */
    private function example(array $schema, string $name = ''): mixed
    {
        foreach (['oneOf', 'anyOf', 'allOf'] as $choice) {
            if (\is_array($schema[$choice] ?? null) && \is_array($schema[$choice][0] ?? null)) {
                return $this->example($schema[$choice][0], $name);
            }
        }
        if (\is_array($schema['enum'] ?? null)) {
            return $schema['enum'][0] ?? null;
        }
        $type = \is_array($schema['type'] ?? null) ? $schema['type'][0] ?? null : $schema['type'] ?? null;
        if ('object' === $type || isset($schema['properties'])) {
            $made = [];
            foreach (\is_array($schema['properties'] ?? null) ? $schema['properties'] : [] as $property => $of) {
                $made[(string) $property] = \is_array($of) ? $this->example($of, (string) $property) : null;
            }

            return $made;
        }
        if ('array' === $type) {
            return [\is_array($schema['items'] ?? null) ? $this->example($schema['items'], $name) : 'x'];
        }

        return match ($type) {
            'boolean' => false,
            'integer', 'number' => $schema['minimum'] ?? 1,
            default => match (true) {
                \in_array($name, ['conversation', 'conversations'], true) => $this->own['conversations'],
                \in_array($name, ['task', 'tasks', 'parent', 'behind', 'before'], true) => $this->own['tasks'],
                'message' === $name => $this->own['messages'],
                'list' === $name => $this->own['lists'],
                'clearing' === $name => $this->own['clearings'],
                'phrase' === $name => 'in 3 days',
                'date' === $name => '2026-12-01',
                'time' === $name => '09:00',
                'zone' === $name => 'Europe/Dublin',
                str_contains((string) json_encode($schema), 'uuid') || \in_array($name, ['id', 'entry'], true) => self::id(),
                default => 'x',
            },
        };
    }

    /**
     * A field that was spoiled in every way in another body takes its turn here: a few of the ways, other ones each time.
     *
     * @return iterable<string, mixed> the same with one field after the other spoiled
     */
    private function spoiled(mixed $example): iterable
    {
        $bad = [
            'null' => null,
            'list' => [],
            'list of null' => [null],
            'list of a list' => [['x']],
            'object' => new \stdClass(),
            'empty' => '',
            'word' => 'x',
            'negative' => -1,
            'nought' => 0,
            'large' => \PHP_INT_MAX,
            'fraction' => 1.5,
            'huge' => 1e300,
            'true' => true,
            'nul' => "a\0b",
            'turned' => "\u{202e}x",
            'long' => str_repeat('x', 70_000),
            'uuid' => '00000000-0000-0000-0000-000000000000',
        ];
        foreach (self::places($example) as $place) {
            $shape = preg_replace('/[0-9a-f-]{36}/', 'id', (string) json_encode([end($place), self::at($example, $place)]));
            $turn = $this->spoiledBefore[$shape] ?? null;
            $this->spoiledBefore[$shape] = ($turn ?? 0) + 1;
            foreach (array_keys($bad) as $number => $name) {
                if (null !== $turn && $number % 8 !== $turn % 8) {
                    continue;
                }
                $value = $bad[$name];
                yield implode('.', $place).' '.$name => self::with($example, $place, $value);
            }
            yield implode('.', $place).' gone' => self::with($example, $place, null, true);
            $there = self::at($example, $place);
            if (null === $turn && \is_array($there) && array_is_list($there) && [] !== $there) {
                yield implode('.', $place).' 20,000' => self::with($example, $place, array_fill(0, 20_000, $there[0]));
            }
        }
    }

    /** @return list<list<int|string>> */
    private static function places(mixed $value): array
    {
        $places = [];
        foreach (\is_array($value) ? $value : [] as $name => $inner) {
            $places[] = [$name];
            foreach (self::places($inner) as $place) {
                $places[] = [$name, ...$place];
            }
        }

        return $places;
    }

    /** @param list<int|string> $place */
    private static function at(mixed $value, array $place): mixed
    {
        foreach ($place as $step) {
            $value = \is_array($value) ? $value[$step] ?? null : null;
        }

        return $value;
    }

    /** @param list<int|string> $place */
    private static function with(mixed $value, array $place, mixed $new, bool $without = false): mixed
    {
        if (!\is_array($value) || [] === $place) {
            return $new;
        }
        $step = array_shift($place);
        if ([] === $place && $without) {
            unset($value[$step]);

            return $value;
        }
        $value[$step] = self::with($value[$step] ?? null, $place, $new, $without);

        return $value;
    }
}
