<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

/**
 * What a person's page asks for.
 */
final readonly class Requests
{
    /** @return list<Part> */
    public static function parts(): array
    {
        $get = static fn (string $path): \Closure => static fn (Folder $folder): Asked => Asked::of(
            static fn (): array => $folder->ask('GET', $path),
        );
        $bare = static fn (string $address): \Closure => static fn (Folder $folder): string => $address;

        return [
            new Part('floor', 'the empty request, signed in', $get('/session')),
            new Part('tray', 'tray', $get('/tray'), $bare('/tray')),
            new Part(
                'open',
                'open from the tray',
                self::open(1),
                static fn (Folder $folder): string => '/open?id='.self::conversation($folder, 1),
            ),
            new Part(
                'open',
                'open with 20 messages',
                self::open(20),
                static fn (Folder $folder): string => '/open?id='.self::conversation($folder, 20),
            ),
            new Part('decide', 'decide', self::decide(undo: false), $bare('/decide')),
            new Part('decide', 'undo', self::decide(undo: true), $bare('/decide')),
            new Part('decide', 'decide 100 at once', self::decideMany(100), $bare('/decide?many=100'), rounds: 5),
            new Part('decide', 'decide 500 at once', self::decideMany(500), $bare('/decide?many=500'), rounds: 3, isMany: true),
            new Part('task', 'make a task', self::makeTask(), $bare('/task')),
            new Part('heartbeat', 'heartbeat without news', $get('/heartbeat'), $bare('/heartbeat')),
            new Part('heartbeat', 'heartbeat with news', self::heartbeat(), $bare('/heartbeat')),
            new Part('heartbeat', 'heartbeat with much of all', $get('/heartbeat'), $bare('/heartbeat'), isMany: true),
            new Part('tray', 'tray with 20,000 undecided', $get('/tray'), $bare('/tray'), rounds: 10, isMany: true),
            new Part('journal', 'journal', $get('/journal'), $bare('/journal')),
            new Part('journal', 'journal with 50,000 entries', $get('/journal'), $bare('/journal'), rounds: 10, isMany: true),
            new Part('find', 'find a common word', $get('/find?words='.Mailbox::COMMON), $bare('/find?words='.Mailbox::COMMON), rounds: 15),
            new Part('find', 'find a rare word', $get('/find?words='.Mailbox::RARE), $bare('/find?words='.Mailbox::RARE), rounds: 15),
            new Part(
                'find',
                'find two words',
                $get('/find?words='.Mailbox::COMMON.'+harbour'),
                $bare('/find?words='.Mailbox::COMMON.'+harbour'),
                rounds: 15,
            ),
            new Part(
                'find',
                'find a refinement',
                $get('/find?words='.Mailbox::COMMON.'+harb&place=archive'),
                $bare('/find?words='.Mailbox::COMMON.'+harb*'),
                rounds: 15,
            ),
            ...array_map(
                static fn (string $typed): Part => new Part(
                    'find',
                    "find “{$typed}”",
                    $get('/find?words='.rawurlencode($typed)),
                    $bare('/find?words='.Mailbox::COMMON),
                    rounds: 9,
                ),
                [
                    'from pet '.Mailbox::COMMON.' before last month', 'unread not in archive', 'with pdf since last year',
                    Mailbox::COMMON.' or harbour not in bin', 'asks something', 'larger than 100 kB',
                ],
            ),
            new Part('find', 'find what is no mail', $get('/find/things?words='.Mailbox::COMMON), $bare('/latest'), rounds: 9),
            new Part('find', 'find with nothing typed', $get('/find'), $bare('/latest'), rounds: 15),
            new Part('people', 'people whose name begins', $get('/people?words=pet'), $bare('/people?words=pet')),
            new Part(
                'people',
                'a person',
                static fn (Folder $folder): Asked => Asked::of(static fn (): array => $folder->ask(
                    'GET',
                    '/people/'.rawurlencode(self::someone($folder)),
                )),
                $bare('/heartbeat'),
            ),
            new Part('tasks', 'tasks by date', $get('/tasks'), $bare('/tasks'), rounds: 10, isMany: true),
            new Part('tasks', 'coming back', $get('/coming'), $bare('/away'), rounds: 10, isMany: true),
            new Part('tasks', 'days', $get('/days?count=14'), $bare('/tasks'), isMany: true),
            new Part('tasks', 'lists', $get('/lists'), $bare('/tasks'), isMany: true),
            new Part('agenda', 'the agenda, a week', $get('/agenda'), $bare('/tasks'), rounds: 10, isMany: true),
            new Part('agenda', 'balances of two weeks', $get('/balances'), $bare('/tasks'), rounds: 10, isMany: true),
            new Part('agenda', 'laying out today', $get('/rituals/morning'), $bare('/tasks'), rounds: 5, isMany: true),
            new Part('agenda', 'looking back', $get('/look-back'), $bare('/tasks'), rounds: 5, isMany: true),
            new Part('rest', 'the check before archiving the rest', $get('/rest'), $bare('/tray'), rounds: 5, isMany: true),
        ];
    }

    private static function open(int $messages): \Closure
    {
        return static fn (Folder $folder): Asked => Asked::of(static fn (): array => $folder->ask(
            'GET',
            '/conversations/'.self::conversation($folder, $messages),
        ));
    }

    private static function conversation(Folder $folder, int $messages): string
    {
        /** @var array<string, string> $known */
        static $known = [];
        $where = 1 === $messages ? "place = 'tray'" : '1';

        return $known[$folder->path.' '.$messages] ??= self::one(
            $folder,
            "SELECT id FROM conversation WHERE {$where} ORDER BY ABS(messages - {$messages}), latest_at DESC LIMIT 1",
        );
    }

    private static function someone(Folder $folder): string
    {
        /** @var array<string, string> $known */
        static $known = [];

        return $known[$folder->path] ??= self::one($folder, 'SELECT email FROM person ORDER BY received DESC LIMIT 1');
    }

    private static function one(Folder $folder, string $sql): string
    {
        $value = ($folder->database()->query($sql) ?: throw new \RuntimeException($sql))->fetchColumn();

        return \is_string($value) ? $value : throw new \RuntimeException("Nothing: {$sql}");
    }

    /** A decision and its undoing; one of the two is measured. */
    private static function decide(bool $undo): \Closure
    {
        return static function (Folder $folder) use ($undo): Asked {
            $id = Folder::id();
            $decided = Asked::of(static fn (): array => $folder->ask(
                'POST',
                '/decisions',
                ['id' => $id, 'kind' => 'archive', 'conversations' => [['id' => self::conversation($folder, 1)]]],
            ));
            $undone = Asked::of(static fn (): array => $folder->ask('POST', "/journal/{$id}/undo", ['id' => Folder::id()]));

            return $undo ? $undone : $decided;
        };
    }

    private static function decideMany(int $many): \Closure
    {
        return static function (Folder $folder) use ($many): Asked {
            $found = $folder->database()->query("SELECT id FROM conversation WHERE place = 'tray' LIMIT {$many}")
                ?: throw new \RuntimeException();
            $claims = array_map(static fn (mixed $id): array => ['id' => $id], $found->fetchAll(\PDO::FETCH_COLUMN));
            $id = Folder::id();
            $decided = Asked::of(static fn (): array => $folder->ask(
                'POST',
                '/decisions',
                ['id' => $id, 'kind' => 'archive', 'conversations' => $claims],
            ));
            $folder->ask('POST', "/journal/{$id}/undo", ['id' => Folder::id()]);

            return $decided;
        };
    }

    private static function makeTask(): \Closure
    {
        return static function (Folder $folder): Asked {
            $id = Folder::id();
            $made = Asked::of(static fn (): array => $folder->ask(
                'POST',
                '/tasks',
                [
                    'entry' => $id,
                    'tasks' => [[
                        'id' => Folder::id(),
                        'fields' => ['title' => 'Measure the glass', 'due' => ['date' => gmdate('Y-m-d', time() + 400_000)]],
                        'conversation' => ['id' => self::conversation($folder, 1)],
                    ]],
                ],
            ));
            $folder->ask('POST', "/journal/{$id}/undo", ['id' => Folder::id()]);

            return $made;
        };
    }

    /** After a decision, the counts are others. */
    private static function heartbeat(): \Closure
    {
        return static function (Folder $folder): Asked {
            $id = Folder::id();
            $folder->ask(
                'POST',
                '/decisions',
                ['id' => $id, 'kind' => 'archive', 'conversations' => [['id' => self::conversation($folder, 1)]]],
            );
            $asked = Asked::of(static fn (): array => $folder->ask('GET', '/heartbeat'));
            $folder->ask('POST', "/journal/{$id}/undo", ['id' => Folder::id()]);

            return $asked;
        };
    }
}
