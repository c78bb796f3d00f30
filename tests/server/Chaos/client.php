<?php

declare(strict_types=1);

/*
 * A person in a hurry, in a process of its own: decides, jots, sends and undoes without a pause, and writes down what
 * the server has said. What gets no answer is asked again, with the same names.
 *
 * php client.php PORT COOKIE FOLDER NUMBER
 */

use ZippyTray\Tests\Server\RealServer;

require dirname(__DIR__, 3).'/vendor/autoload.php';

[, $port, $cookie, $folder, $number] = $argv;
mt_srand((int) $number);
$server = new RealServer($folder.'/client-'.$number, port: (int) $port);
$headers = ['Cookie' => $cookie];
$id = static fn (): string => vsprintf('%s%s-%s-4%.3s-8%.3s-%s%s%s', str_split(bin2hex(random_bytes(16)), 4));
$note = static fn (string $line) => file_put_contents($folder.'/said-'.$number, $line."\n", \FILE_APPEND);
/** @param array<string, mixed> $body */
$ask = static function (string $method, string $path, array $body, string $entry) use ($server, $headers, $note, $folder): int {
    $again = 0;
    do {
        $status = $server->call($method, $path, json_encode($body, \JSON_THROW_ON_ERROR), $headers)['status'];
        if (0 !== $status && 503 !== $status) {
            $note($status.' '.$entry.' '.$again);

            return $status;
        }
        ++$again;
        usleep(100_000);
    } while (!is_file($folder.'/stop'));
    $note('0 '.$entry.' '.$again);

    return 0;
};
$decided = [];
while (!is_file($folder.'/stop')) {
    /** @var list<array{id: string, revision: int}>|null $rows */
    $rows = json_decode($server->call('GET', '/api/tray', headers: $headers)['body'], true);
    $row = isset($rows[0]) ? $rows[mt_rand(0, count($rows) - 1)] : null;
    $entry = $id();
    $what = mt_rand(0, 9);
    if (null !== $row && $what < 5) {
        $kind = ['archive', 'delete', 'mute', 'snooze', 'do_now'][$what];
        $status = $ask(
            'POST',
            '/api/decisions',
            ['id' => $entry, 'kind' => $kind, 'conversations' => [[
                'id' => $row['id'],
                'revision' => $row['revision'],
            ]]] + ('snooze' === $kind ? ['until' => ['phrase' => 'in 3 days']] : []),
            $entry,
        );
        200 === $status && $decided[] = $entry;
        // The same once more changes nothing.
        200 === $status && 0 === mt_rand(0, 3) && $ask(
            'POST',
            '/api/decisions',
            ['id' => $entry, 'kind' => $kind, 'conversations' => [[
                'id' => $row['id'],
                'revision' => $row['revision'],
            ]]] + ('snooze' === $kind ? ['until' => ['phrase' => 'in 3 days']] : []),
            $entry,
        );
    } elseif ($what < 7) {
        $ask('POST', '/api/tasks', ['entry' => $entry, 'tasks' => [['id' => $id(), 'fields' => ['title' => 'Task '.$entry]]]], $entry);
    } elseif ($what < 9 && [] !== $decided) {
        $ask('POST', '/api/journal/'.array_pop($decided).'/undo', ['id' => $entry], $entry);
    } else {
        $draft = $id();
        $letter = [
            'to' => 'tam@glass.example',
            'cc' => '',
            'bcc' => '',
            'subject' => 'Letter '.$entry,
            'text' => 'Yes.',
            'formatted' => false,
            'files' => [],
            'carried' => [],
            'what' => '',
            'until' => '',
        ];
        if (200 === $ask(
            'PUT',
            '/api/outgoing/'.$draft,
            ['revision' => 0, 'kind' => 'new', 'message' => null, 'letter' => $letter],
            'draft',
        )) {
            $ask('POST', '/api/outgoing/'.$draft.'/send', ['entry' => $entry, 'atOnce' => true], $entry);
        }
    }
}
