<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/**
 * The authorization server of the tests, see authorization-server.php.
 */
final readonly class AuthorizationServer
{
    private function __construct(public string $folder, public int $port, private Process $process)
    {
    }

    public static function start(): self
    {
        $folder = sys_get_temp_dir().'/zippy-authorization-'.bin2hex(random_bytes(6));
        mkdir($folder, 0o700);
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        \assert(false !== $socket);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        $process = new Process(['php', '-S', '127.0.0.1:'.$port, __DIR__.'/authorization-server.php'], env: ['FOLDER' => $folder]);
        $process->setTimeout(null);
        $process->start();
        for ($try = 0; $try < 100 && false === @fsockopen('127.0.0.1', $port); ++$try) {
            usleep(50_000);
        }

        return new self($folder, $port, $process);
    }

    public function stop(): void
    {
        $this->process->stop(1);
        (new Filesystem())->remove($this->folder);
    }

    public function behave(string $name, string $value): void
    {
        file_put_contents($this->folder.'/'.$name, $value);
    }

    /** No token that was given so far is good any more. */
    public function forget(): void
    {
        file_put_contents($this->folder.'/state.json', '');
    }

    /** @return list<string> what it was asked for, in order */
    public function asked(): array
    {
        /** @var array{asked: list<string>} $state */
        $state = json_decode((string) file_get_contents($this->folder.'/state.json'), true, 8, \JSON_THROW_ON_ERROR);

        return $state['asked'];
    }

    /** The file of providers that names it. */
    public function providers(): string
    {
        return <<<YAML
            providers:
                - name: Example Mail
                  domains: [ternpoint.example]
                  authorize: http://127.0.0.1:{$this->port}/authorize
                  token: http://127.0.0.1:{$this->port}/token
                  client: tern-point
                  scopes: [mail, offline_access]
            YAML;
    }

    /** Where a mail server asks whether a token holds. */
    public function introspection(): string
    {
        return "http://127.0.0.1:{$this->port}/introspect?token=";
    }
}
