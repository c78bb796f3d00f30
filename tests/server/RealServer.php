<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server;

use Symfony\Component\Filesystem\Filesystem;

/**
 * The program as it runs for somebody: PHP's web server with several processes, in a data folder of its own.
 *
 * @phpstan-type Answer array{status: int, headers: string, body: string}
 */
final class RealServer
{
    /** @var resource|null */
    private $process;

    private readonly string $project;

    /**
     * @param array<string, string> $environment
     * @param int                   $port        of one that runs already; nought to start one on a free port
     * @param string                $script      that answers, from the project's folder
     */
    public function __construct(
        public readonly string $folder,
        private readonly array $environment = [],
        private readonly int $workers = 4,
        private int $port = 0,
        private readonly string $script = 'server/public/index.php',
    ) {
        $this->project = \dirname(__DIR__, 2);
        (new Filesystem())->mkdir($folder);
    }

    /** A process that is not ended would be waited for. */
    public function __destruct()
    {
        $this->kill();
    }

    public function port(): int
    {
        return $this->port;
    }

    public static function freePort(): int
    {
        $probe = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($probe, false), ':'), 1);
        fclose($probe);

        return $port;
    }

    public function start(): void
    {
        // A second one would not get the port, and the first would be forgotten and live on.
        if (null !== $this->process) {
            return;
        }
        $this->port = $this->port ?: self::freePort();
        // A group of its own, so that its processes can be killed together.
        $preload = $this->project.'/var/cache/prod/ZippyTray_Server_KernelProdContainer.preload.php';
        $loaded = is_file($preload)
            ? ['-d', 'opcache.preload='.$preload, '-d', 'opcache.preload_user='.(posix_getpwuid(posix_geteuid())['name'] ?? 'root')]
            : [];
        $command = [
            'setsid',
            \PHP_BINARY,
            ...$loaded,
            '-d',
            'expose_php=0',
            '-d',
            'memory_limit=768M',
            '-d',
            'date.timezone=UTC',
            '-d',
            'opcache.enable_cli=1',
            '-d',
            'variables_order=EGPCS',
            '-S',
            '127.0.0.1:'.$this->port,
            '-t',
            \dirname($this->project.'/'.$this->script),
            $this->project.'/'.$this->script,
        ];
        $process = proc_open(
            $command,
            [1 => ['file', $this->folder.'/web.log', 'a'], 2 => ['file', $this->folder.'/web.log', 'a']],
            $pipes,
            $this->project,
            $this->environment() + ['PHP_CLI_SERVER_WORKERS' => (string) $this->workers],
        );
        $this->process = \is_resource($process) ? $process : throw new \RuntimeException('The server did not start.');
        for ($try = 0; $try < 400; ++$try) {
            $socket = @stream_socket_client('tcp://127.0.0.1:'.$this->port, $code, $problem, 1);
            if (false !== $socket) {
                fclose($socket);

                return;
            }
            usleep(25_000);
        }
        throw new \RuntimeException('The server did not answer: '.file_get_contents($this->folder.'/web.log'));
    }

    /** All its processes at once, as when the machine loses power. */
    public function kill(): void
    {
        if (null !== $this->process) {
            $group = proc_get_status($this->process)['pid'];
            posix_kill(-$group, \SIGKILL);
            proc_close($this->process);
            $this->process = null;
            // Its children end a moment later: the last of them has when nobody listens any more.
            for ($try = 0; $try < 400 && false !== $socket = @stream_socket_client(
                'tcp://127.0.0.1:'.$this->port,
                $code,
                $problem,
                1,
            ); ++$try) {
                fclose($socket);
                usleep(5000);
            }
        }
    }

    public function end(): void
    {
        $this->kill();
        (new Filesystem())->remove($this->folder);
    }

    /** @return string what was written, on both ways */
    public function console(string ...$arguments): string
    {
        $process = $this->spawn(...$arguments);
        $output = stream_get_contents($process['pipe']);
        proc_close($process['process']);

        return (string) $output;
    }

    /** @return array{process: resource, pipe: resource} */
    public function spawn(string ...$arguments): array
    {
        $pair = stream_socket_pair(\STREAM_PF_UNIX, \STREAM_SOCK_STREAM, 0) ?: throw new \RuntimeException('No pipe is to be had.');
        $process = proc_open(
            [
                \PHP_BINARY,
                '-d',
                'memory_limit=768M',
                '-d',
                'date.timezone=UTC',
                $this->project.'/server/console.php',
                ...array_values($arguments),
            ],
            [1 => $pair[1], 2 => $pair[1]],
            $pipes,
            $this->project,
            $this->environment(),
        );

        fclose($pair[1]);

        return [
            'process' => \is_resource($process) ? $process : throw new \RuntimeException('The command did not start.'),
            'pipe' => $pair[0],
        ];
    }

    /**
     * @param array<string, mixed>|string|null $body
     * @param array<string, string>            $headers
     *
     * @return Answer
     */
    public function call(string $method, string $path, array|string|null $body = null, array $headers = []): array
    {
        return $this->read($this->send($method, $path, $body, $headers));
    }

    /**
     * Sends the same several times at once.
     *
     * @param array<string, mixed>|null $body
     * @param array<string, string>     $headers
     *
     * @return list<Answer>
     */
    public function atOnce(int $times, string $method, string $path, ?array $body = null, array $headers = []): array
    {
        $sockets = [];
        for ($number = 0; $number < $times; ++$number) {
            $sockets[] = $this->send($method, $path, $body, $headers);
        }

        return array_map($this->read(...), $sockets);
    }

    /** @return string the cookie of a session, for a header */
    public function signIn(string $email, string $password): string
    {
        $answer = $this->call('POST', '/api/sign-in', ['email' => $email, 'password' => $password]);

        return 200 === $answer['status'] && 1 === preg_match('/^Set-Cookie: (zippy_tray=[^;]+)/mi', $answer['headers'], $m)
            ? $m[1]
            : throw new \RuntimeException($answer['body']);
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return $this->environment + [
            'ZIPPY_DATA' => $this->folder.'/data',
            'ZIPPY_DEMO' => '0',
            'ZIPPY_STRICT' => '1',
            'APP_ENV' => 'prod',
            'PATH' => (string) getenv('PATH'),
        ];
    }

    /**
     * @param array<string, mixed>|string|null $body
     * @param array<string, string>            $headers
     *
     * @return resource|null null when nobody is there
     */
    private function send(string $method, string $path, array|string|null $body, array $headers)
    {
        $socket = @stream_socket_client('tcp://127.0.0.1:'.$this->port, $code, $problem, 5);
        if (false === $socket) {
            return null;
        }
        $content = \is_array($body) ? json_encode($body, \JSON_THROW_ON_ERROR) : (string) $body;
        $headers += [
            'Host' => '127.0.0.1:'.$this->port,
            'Connection' => 'close',
            'Origin' => 'http://127.0.0.1:'.$this->port,
            'X-Csrf-Token' => str_repeat('c', 24),
            'Content-Length' => (string) \strlen($content),
        ] + (null === $body ? [] : ['Content-Type' => 'application/json']);
        $lines = array_map(static fn (string $name, string $value): string => $name.': '.$value, array_keys($headers), $headers);
        @fwrite($socket, "{$method} {$path} HTTP/1.1\r\n".implode("\r\n", $lines)."\r\n\r\n".$content);
        stream_set_timeout($socket, 60);

        return $socket;
    }

    /**
     * @param resource|null $socket
     *
     * @return Answer status 0: there was none, or not the whole of it
     */
    private function read($socket): array
    {
        $all = null === $socket ? '' : (string) @stream_get_contents($socket);
        null === $socket || fclose($socket);
        [$headers, $body] = explode("\r\n\r\n", $all, 2) + [1 => ''];
        if (1 === preg_match('/^Transfer-Encoding: chunked/mi', $headers)) {
            // RFC 9112, 7.1
            for ($rest = $body, $body = ''; 1 === preg_match(
                '/^([0-9a-f]+)[^\r\n]*\r\n/i',
                $rest,
                $m,
            ) && 0 < $length = (int) hexdec($m[1]); $rest = substr(
                $rest,
                \strlen($m[0]) + $length + 2,
            )) {
                $body .= substr($rest, \strlen($m[0]), $length);
            }
        }
        $isWhole = str_contains($all, "\r\n\r\n")
            && (1 !== preg_match('/^Content-Length: (\d+)/mi', $headers, $m) || \strlen($body) >= (int) $m[1]);

        return [
            'status' => $isWhole && 1 === preg_match('~^HTTP/\S+ (\d+)~', $headers, $m) ? (int) $m[1] : 0,
            'headers' => $headers,
            'body' => $body,
        ];
    }
}
