<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server;

use Symfony\Component\Process\ExecutableFinder;

/**
 * The program behind nginx and php-fpm, started from the files with which it is installed, on a port of its own.
 */
final class InstalledServer
{
    /** @var list<resource> */
    private array $running = [];

    /** @param string $folder with the data folder in it */
    public function __construct(private readonly string $folder, public readonly int $port, private readonly int $children = 4)
    {
    }

    public function __destruct()
    {
        $this->end();
    }

    public function start(): void
    {
        foreach (['data', 'data/log', 'data/cache'] as $inside) {
            is_dir($this->folder.'/'.$inside) || mkdir($this->folder.'/'.$inside, 0o700, true);
        }
        @unlink($this->folder.'/php.sock');
        $this->run(
            'php-fpm'.\PHP_MAJOR_VERSION.'.'.\PHP_MINOR_VERSION,
            ['--nodaemonize', '--allow-to-run-as-root', '--fpm-config', $this->render('php-fpm.conf')],
        );
        $this->run('nginx', ['-c', $this->nginx('127.0.0.1:'.$this->port, ''), '-e', $this->folder.'/nginx.log']);
        for ($try = 0; $try < 400 && !file_exists($this->folder.'/php.sock'); ++$try) {
            usleep(25_000);
        }
        for ($try = 0; $try < 400 && 200 !== (new RealServer($this->folder, port: $this->port))->call('GET', '/')['status']; ++$try) {
            usleep(25_000);
        }
    }

    public function end(): void
    {
        foreach ($this->running as $process) {
            posix_kill(-proc_get_status($process)['pid'], \SIGTERM);
            proc_close($process);
        }
        $this->running = [];
    }

    /** @return string the file in which nginx is told what to do */
    public function nginx(string $listen, string $tls): string
    {
        $site = $this->render('nginx.conf', LISTEN: $listen, TLS: $tls);
        $user = 0 === posix_geteuid() ? "user root;\n" : '';
        $temporary = implode(
            "\n",
            array_map(
                fn (string $kind): string => "{$kind}_temp_path {$this->folder}/{$kind};",
                ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'],
            ),
        );
        file_put_contents(
            $file = $this->folder.'/main.conf',
            "{$user}include /etc/nginx/modules-enabled/*.conf;\ndaemon off;\npid {$this->folder}/nginx.pid;\n"
                ."error_log {$this->folder}/nginx.log;\nworker_processes 2;\nevents {}\nhttp {\ninclude /etc/nginx/mime.types;\n"
                ."access_log off;\n{$temporary}\ninclude {$site};\n}\n",
        );

        return $file;
    }

    public static function program(string $name): string
    {
        return (new ExecutableFinder())->find($name, null, ['/usr/sbin', '/sbin'])
            ?? throw new \RuntimeException("{$name} is missing: ./zippy test installs it.");
    }

    public function logs(): string
    {
        return implode(
            "\n",
            array_map(
                static fn (string $file): string => (string) file_get_contents($file),
                [...glob($this->folder.'/*.out') ?: [], ...glob($this->folder.'/*.log') ?: [], ...glob($this->folder.'/data/log/*') ?: []],
            ),
        );
    }

    /** @return string the file, filled in for this folder */
    private function render(string $template, string ...$more): string
    {
        $project = \dirname(__DIR__, 2);
        $user = posix_getpwuid(posix_geteuid())['name'] ?? 'root';
        $values = $more + [
            'ROOT' => $project,
            'DATA' => $this->folder.'/data',
            'USER' => $user,
            'GROUP' => $user,
            'SOCKET' => $this->folder.'/php.sock',
            'CHILDREN' => (string) $this->children,
            'HOSTS' => '127.0.0.1',
            'TIMING' => '1',
            'PID' => '',
            'LISTEN_OWNER' => '',
            'NAME' => '127.0.0.1',
            'LISTEN' => '',
            'TLS' => '',
            'PLAIN' => '',
        ];
        $arguments = array_map(
            static fn (int|string $name, string $value): string => escapeshellarg($name.'='.$value),
            array_keys($values),
            $values,
        );
        exec($project.'/deploy/render '.$project.'/deploy/'.$template.' '.implode(' ', $arguments), $lines, $code);
        0 === $code || throw new \RuntimeException("deploy/{$template}: ".implode("\n", $lines));
        file_put_contents($file = $this->folder.'/'.$template, implode("\n", $lines)."\n");

        return $file;
    }

    /** @param list<string> $arguments */
    private function run(string $program, array $arguments): void
    {
        $said = ['file', $this->folder.'/'.$program.'.out', 'a'];
        $process = proc_open(['setsid', self::program($program), ...$arguments], [1 => $said, 2 => $said], $pipes);
        $this->running[] = \is_resource($process) ? $process : throw new \RuntimeException($program.' did not start.');
    }
}
