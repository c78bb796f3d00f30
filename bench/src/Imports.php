<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

use Symfony\Component\Console\Style\SymfonyStyle;

/**
 * How bringing in went when the folders were filled, and the bare equivalent: the same rows by prepared statements,
 * after taking the message apart, its text and gzip.
 */
final class Imports
{
    private const BARE = 2000;

    /**
     * @param list<Folder> $folders
     *
     * @return array<string, array<string, float|int>> by size and place
     */
    public static function report(array $folders, SymfonyStyle $style): array
    {
        $bare = self::bare();
        $report = ['bare' => ['ms' => $bare]];
        $rows = [['bare, '.self::BARE, '', '', number_format($bare, 2), '', '', '']];
        foreach ($folders as $folder) {
            foreach (['archive' => $folder->messages, 'tray' => 400] as $place => $messages) {
                $one = $folder->imported($place);
                $report[$folder->label().' '.$place] = $one + ['messages' => $messages, 'ms' => 1000 * $one['cpu'] / $messages];
                $rows[] = [
                    $folder->label(),
                    $place,
                    number_format($messages / $one['seconds']),
                    number_format(1000 * $one['cpu'] / $messages, 2),
                    number_format($one['memory'] / 1_000_000),
                    number_format($one['bytes'] / 1_000_000),
                    number_format(1000 * $one['cpu'] / $messages / $bare, 1),
                ];
            }
        }
        $style->table(['import', 'into', 'messages/s', 'cpu ms each', 'peak MB', 'database MB', 'of bare'], $rows);

        return $report;
    }

    /** @return float milliseconds of the processor's time for each message */
    public static function bare(int $messages = self::BARE): float
    {
        $file = sys_get_temp_dir().'/zippy-tray-bare-'.getmypid().'.sqlite';
        $database = new \PDO('sqlite:'.$file, options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $database->exec('PRAGMA journal_mode=WAL');
        $database->exec('PRAGMA synchronous=NORMAL');
        $database->exec("CREATE TABLE message (id TEXT PRIMARY KEY, header TEXT, subject TEXT, people TEXT, sent TEXT, text TEXT);
            CREATE TABLE source (id TEXT PRIMARY KEY, source BLOB);
            CREATE TABLE conversation (id TEXT PRIMARY KEY, subject TEXT, latest TEXT);
            CREATE INDEX latest ON conversation (latest, id);
            CREATE TABLE belongs (number INTEGER PRIMARY KEY, conversation TEXT, message TEXT UNIQUE);
            CREATE INDEX belongs_to ON belongs (conversation);
            CREATE TABLE thread (header TEXT, message TEXT, PRIMARY KEY (header, message)) WITHOUT ROWID;
            CREATE TABLE person (email TEXT PRIMARY KEY, number INTEGER) WITHOUT ROWID;
            CREATE VIRTUAL TABLE words USING fts5 (subject, people, text, tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3')");
        $put = static fn (string $table, int $columns): \PDOStatement => $database->prepare("INSERT OR REPLACE INTO {$table} "
            ."VALUES (".implode(', ', array_fill(0, $columns, '?')).')');
        [$message, $source, $conversation, $belongs, $thread, $person] = [
            $put('message', 6),
            $put('source', 2),
            $put('conversation', 3),
            $put('belongs', 3),
            $put('thread', 2),
            $put('person', 2),
        ];
        $words = $database->prepare('INSERT INTO words (rowid, subject, people, text) VALUES (?, ?, ?, ?)');
        $began = Spent::here();
        foreach ((new Mailbox($messages))->messages() as $number => $raw) {
            $made = Spent::here();
            0 !== $number % 40 || $database->exec('BEGIN');
            [$header, $text] = self::parts($raw);
            preg_match_all('/<([^>]+)>/', $header['references'] ?? '', $references);
            $id = $header['message-id'] ?? '';
            $people = ($header['from'] ?? '').' '.($header['to'] ?? '');
            $of = $references[1][0] ?? $id;
            $message->execute([$id, $id, $header['subject'] ?? '', $people, $header['date'] ?? '', $text]);
            $source->execute([$id, gzcompress($raw, 3)]);
            $conversation->execute([$of, $header['subject'] ?? '', $header['date'] ?? '']);
            $belongs->execute([$number + 1, $of, $id]);
            foreach ([$id, ...$references[1]] as $one) {
                $thread->execute([$one, $id]);
            }
            $person->execute([$header['from'] ?? '', $number]);
            $words->execute([$number + 1, $header['subject'] ?? '', $people, $text]);
            39 !== $number % 40 || $database->exec('COMMIT');
            $took = ($took ?? 0.0) + Spent::here() - $made;
        }
        foreach (['', '-wal', '-shm'] as $ending) {
            @unlink($file.$ending);
        }

        return ($took ?? Spent::here() - $began) / $messages;
    }

    /** @return array{array<string, string>, string} headers by their names, and the first text */
    private static function parts(string $raw): array
    {
        if (!\function_exists('mailparse_msg_create')) {
            [$head, $body] = explode("\r\n\r\n", $raw, 2) + [1 => ''];
            preg_match_all('/^([\w-]+): (.*(?:\r\n[ \t].*)*)/m', $head, $lines);

            return [array_combine(array_map(strtolower(...), $lines[1]), $lines[2]), quoted_printable_decode($body)];
        }
        $mime = mailparse_msg_create();
        mailparse_msg_parse($mime, $raw);
        /** @var list<string> $names */
        $names = mailparse_msg_get_structure($mime);
        $text = '';
        foreach ($names as $name) {
            $section = mailparse_msg_get_part($mime, $name) ?: throw new \RuntimeException('A part is missing.');
            /** @var array<string, mixed> $part */
            $part = mailparse_msg_get_part_data($section);
            if ('text/plain' === ($part['content-type'] ?? '')) {
                ob_start();
                mailparse_msg_extract_part($section, $raw);
                $text = (string) iconv(
                    \is_string($part['charset'] ?? null) ? $part['charset'] : 'utf-8',
                    'utf-8//TRANSLIT',
                    (string) ob_get_clean(),
                );
                break;
            }
        }
        /** @var array{headers: array<string, string>} $whole */
        $whole = mailparse_msg_get_part_data($mime);

        return [$whole['headers'], $text];
    }
}
