<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Demo\MailServer as Dovecot;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;

/**
 * How long a mailbox on a mail server takes to come in the first time, beside the library that only fetches it and what brings the same in
 * from files: the program, and the bare equivalent.
 */
final class FromServer
{
    private const USER = 'wren';

    /** Messages that the library fetches at once; the same as the program. */
    private const AT_ONCE = 50;

    /**
     * @param list<int> $sizes
     *
     * @return array<int, array<string, float|int>> by size
     */
    public static function report(array $sizes, SymfonyStyle $style): array
    {
        if (!Dovecot::isInstalled()) {
            $style->writeln('A mailbox on a mail server is not measured: Dovecot is not installed.');

            return [];
        }
        $report = $rows = [];
        foreach ($sizes as $messages) {
            $folder = sys_get_temp_dir().'/zippy-bench-'.bin2hex(random_bytes(4));
            mkdir($folder.'/server', 0o755, true);
            $dovecot = Dovecot::start($folder.'/server');
            try {
                self::fill($dovecot, $messages);
                $fetched = self::fetch($dovecot);
                $imported = self::come($folder, $dovecot->folder.'/mail/'.self::USER);
                $came = self::come($folder, (string) $dovecot->port, self::USER);
            } finally {
                $dovecot->stop();
                (new Filesystem())->remove($folder);
            }
            $bare = Imports::bare($messages) * $messages / 1000;
            $report[$messages] = $came + ['fetched' => $fetched, 'imported' => $imported['seconds'], 'bare' => $bare];
            $rows[] = [
                number_format($came['messages']), number_format($came['messages'] / $came['seconds']), number_format($came['seconds'], 1),
                number_format($came['memory'] / 1_000_000), number_format($fetched, 1), number_format($imported['seconds'], 1),
                number_format($came['seconds'] / ($fetched + $imported['seconds']), 2), number_format($bare, 1),
                number_format($came['seconds'] / ($fetched + $bare), 2),
            ];
        }
        $style->table(
            [
                'from a mail server', 'messages/s', 'seconds', 'peak MB', 'library alone', 'from files', 'of both', 'bare import',
                'of library and bare',
            ],
            $rows,
        );

        return $report;
    }

    /** @return array{seconds: float, cpu: float, memory: int, messages: int} */
    private static function come(string $folder, string ...$from): array
    {
        (new Filesystem())->remove($folder.'/data');
        $process = new Process(
            ['php', '-d', 'memory_limit=768M', \dirname(__DIR__).'/mailbox.php', ...array_values($from)],
            env: [
                'ZIPPY_DATA' => $folder.'/data',
                'APP_CACHE_DIR' => $folder.'/cache',
                'APP_ENV' => 'bench',
                'ZIPPY_STRICT' => '0',
            ],
            timeout: null,
        );
        $process->mustRun();
        /** @var array{seconds: float, cpu: float, memory: int, messages: int} $came */
        $came = json_decode($process->getOutput(), true, 8, \JSON_THROW_ON_ERROR);

        return $came;
    }

    /** They lie there as the server itself keeps them. */
    private static function fill(Dovecot $dovecot, int $messages): void
    {
        $on = self::connection($dovecot);
        // It makes what it keeps mail in when that is opened first.
        $on->append('INBOX', "Subject: first\r\n\r\nfirst\r\n", [], new \DateTimeImmutable('2019-01-01'));
        $on->close();
        $folder = $dovecot->folder.'/mail/'.self::USER;
        foreach ((new Mailbox($messages))->messages() as $number => $raw) {
            $file = "{$folder}/cur/{$number}.here:2,S";
            file_put_contents($file, $raw);
            preg_match('/^Date: (.+)\r$/m', $raw, $m);
            touch($file, strtotime($m[1] ?? 'now') ?: time());
        }
        exec('chown -R '.escapeshellarg((string) fileowner($folder)).' '.escapeshellarg($folder));
        // So that it has read all of them once.
        self::connection($dovecot)->folder('INBOX');
    }

    /** @return float seconds */
    private static function fetch(Dovecot $dovecot): float
    {
        $began = microtime(true);
        $on = self::connection($dovecot);
        $inbox = $on->folder('INBOX') ?? throw new \RuntimeException('There is no inbox.');
        foreach (array_chunk($on->uids('INBOX', $inbox->validity), self::AT_ONCE) as $some) {
            $on->sources('INBOX', $inbox->validity, $some);
        }

        return microtime(true) - $began;
    }

    private static function connection(Dovecot $dovecot): ImapConnection
    {
        $connection = new ImapConnection(
            new MailServer(['127.0.0.1', $dovecot->port, Security::Plain], ['', 0, Security::Tls], self::USER, Dovecot::PASSWORD),
        );
        $connection->open();

        return $connection;
    }
}
