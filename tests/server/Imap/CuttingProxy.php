<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

/**
 * Stands between the program and a mail server, and cuts the connection at a command: before the server hears of it, or after it has
 * done it and before the program hears of that. Instead of cutting it can kill the process that sent it.
 */
final class CuttingProxy
{
    private function __construct(public readonly int $port, private readonly string $orders, private readonly int $process)
    {
    }

    public static function before(int $serverPort): self
    {
        $orders = (string) tempnam(sys_get_temp_dir(), 'cut');
        $listener = stream_socket_server('tcp://127.0.0.1:0');
        if (false === $listener) {
            throw new \RuntimeException('There is no free port.');
        }
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($listener, false), ':'), 1);
        $process = pcntl_fork();
        if (0 === $process) {
            try {
                // Longer than any test takes: it is ended from outside.
                while (false !== $client = @stream_socket_accept($listener, 600)) {
                    self::serve($client, $serverPort, $orders);
                }
            } finally {
                posix_kill(posix_getpid(), \SIGKILL);
            }
        }
        fclose($listener);

        return new self($port, $orders, $process);
    }

    /**
     * @param int      $command the how manieth of the next connection
     * @param bool     $isDone  whether the server still hears of it and does it
     * @param int|null $victim  the process that is killed then; null: the connection is cut
     */
    public function cutAt(int $command, bool $isDone, ?int $victim = null): void
    {
        file_put_contents($this->orders, \sprintf('%d %d %d', $command, $isDone ? 1 : 0, $victim ?? 0));
    }

    /** @return bool whether the last cut took place */
    public function hasCut(): bool
    {
        return '' === file_get_contents($this->orders);
    }

    public function passAll(): void
    {
        file_put_contents($this->orders, '0 0 0');
    }

    public function stop(): void
    {
        posix_kill($this->process, \SIGKILL);
        pcntl_waitpid($this->process, $status);
        @unlink($this->orders);
    }

    /** @param resource $client */
    private static function serve($client, int $serverPort, string $orders): void
    {
        $server = stream_socket_client('tcp://127.0.0.1:'.$serverPort);
        if (false === $server) {
            return;
        }
        [$at, $isDone, $victim] = array_map(intval(...), explode(' ', ((string) file_get_contents($orders)).' 0 0 0'));
        $seen = 0;
        $cutsAfter = null;
        while (true) {
            [$read, $write, $except] = [[$client, $server], null, null];
            if (!stream_select($read, $write, $except, 30)) {
                break;
            }
            foreach ($read as $from) {
                $data = (string) fread($from, 65536);
                if ('' === $data) {
                    break 2;
                }
                if ($from === $client) {
                    $tags = preg_match_all('/^(\d+) \S/m', $data, $m);
                    if (0 < $tags && $at > 0 && $seen < $at && $seen + $tags >= $at) {
                        if (0 === $isDone) {
                            self::strike($orders, $victim);
                            break 2;
                        }
                        $cutsAfter = $m[1][\count($m[1]) - 1];
                    }
                    $seen += (int) $tags;
                    fwrite($server, $data);
                    continue;
                }
                if (null !== $cutsAfter && 1 === preg_match('/^(?:\+|'.$cutsAfter.' )/m', $data)) {
                    if (1 === preg_match('/^'.$cutsAfter.' /m', $data)) {
                        self::strike($orders, $victim);
                        break 2;
                    }
                }
                fwrite($client, $data);
            }
        }
        fclose($client);
        fclose($server);
    }

    private static function strike(string $orders, int $victim): void
    {
        file_put_contents($orders, '');
        $victim > 0 && posix_kill($victim, \SIGKILL);
    }
}
