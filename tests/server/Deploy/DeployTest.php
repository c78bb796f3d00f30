<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Deploy;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\ExecutableFinder;
use ZippyTray\Tests\Server\RealServer;

/**
 * The program behind nginx and php-fpm, started from the files with which it is installed.
 */
final class DeployTest extends TestCase
{
    private const CLIENTS = 16;

    private string $folder;

    private int $port;

    /** @var list<resource> */
    private array $running = [];

    private RealServer $server;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/zippy-tray-deploy-'.getmypid();
        (new Filesystem())->mkdir([$this->folder.'/data/log', $this->folder.'/data/cache']);
        $probe = stream_socket_server('tcp://127.0.0.1:0') ?: self::fail('No port is free.');
        $this->port = (int) substr((string) strrchr((string) stream_socket_get_name($probe, false), ':'), 1);
        fclose($probe);
        $this->server = new RealServer($this->folder, ['ZIPPY_DEMO' => '1'], port: $this->port);
        self::assertStringContainsString('Sign in as', $this->server->console('demo:seed', '--still'));
        $this->start('php-fpm'.\PHP_MAJOR_VERSION.'.'.\PHP_MINOR_VERSION, ['--nodaemonize', '--allow-to-run-as-root', '--fpm-config', $this->render('php-fpm.conf')]);
        $this->start('nginx', ['-c', $this->nginx('127.0.0.1:'.$this->port, ''), '-e', $this->folder.'/nginx.log']);
        for ($try = 0; $try < 400 && !file_exists($this->folder.'/php.sock'); ++$try) {
            usleep(25_000);
        }
        for ($try = 0; $try < 400 && 200 !== $this->server->call('GET', '/')['status']; ++$try) {
            usleep(25_000);
        }
    }

    protected function tearDown(): void
    {
        foreach ($this->running as $process) {
            posix_kill(-proc_get_status($process)['pid'], \SIGTERM);
            proc_close($process);
        }
        (new Filesystem())->remove($this->folder);
    }

    public function testThePageIsSentCompressedAndKept(): void
    {
        $page = $this->server->call('GET', '/some/view');
        self::assertSame(200, $page['status'], $this->logs());
        self::assertStringContainsString('Content-Security-Policy: ', $page['headers']);
        self::assertSame(1, preg_match('~src="(/build/assets/[^"]+\.js)"~', $page['body'], $m));
        foreach (['br' => 'br', 'gzip, deflate' => 'gzip', '' => null] as $accepted => $encoding) {
            $asset = $this->server->call('GET', $m[1], headers: '' === $accepted ? [] : ['Accept-Encoding' => $accepted]);
            self::assertSame(200, $asset['status']);
            self::assertStringContainsString('immutable', $asset['headers']);
            self::assertSame($encoding, 1 === preg_match('/^Content-Encoding: (\S+)/mi', $asset['headers'], $n) ? $n[1] : null, (string) $accepted);
        }
        self::assertSame(404, $this->server->call('GET', '/build/assets/none.js')['status']);
    }

    public function testNothingElseIsGivenOut(): void
    {
        foreach (['/index.php', '/../composer.json', '/build/../../../composer.json', '/build/assets/../../../src/Kernel.php', '/index.php/api/session', '/.env', '/build/'] as $path) {
            $answer = $this->server->call('GET', $path);
            self::assertStringNotContainsString('<?php', $answer['body'], $path);
            self::assertStringNotContainsString('"require"', $answer['body'], $path);
        }
        self::assertSame(401, $this->server->call('GET', '/api/tray')['status']);
        self::assertSame(421, $this->server->call('GET', '/api/session', headers: ['Host' => 'elsewhere.example'])['status'], 'The program looks at the name, too.');
    }

    public function testSixteenClientsAtOnce(): void
    {
        $headers = ['Cookie' => $this->server->signIn('wren@ternpoint.example', 'tern-point-light'), 'Accept-Encoding' => 'gzip'];
        $tray = $this->server->call('GET', '/api/tray', headers: $headers);
        self::assertStringContainsStringIgnoringCase('Content-Encoding: gzip', $tray['headers']);
        /** @var list<array{id: string}> $rows */
        $rows = json_decode((string) gzdecode($tray['body']), true);
        for ($round = 0; $round < 6; ++$round) {
            $id = \sprintf('00000000-0000-4000-8000-%012d', $round);
            foreach (['/api/tray', '/api/conversations/'.$rows[$round]['id'], '/api/find?words=lamp', '/api/heartbeat'] as $path) {
                self::assertSame([200], array_values(array_unique(array_column($this->server->atOnce(self::CLIENTS, 'GET', $path, headers: $headers), 'status'))), $path.$this->logs());
            }
            // All ask for the same decision: it is made once, and each is told of it.
            $decided = $this->server->atOnce(self::CLIENTS, 'POST', '/api/decisions', ['id' => $id, 'kind' => 'archive', 'conversations' => [['id' => $rows[$round]['id']]]], $headers);
            self::assertSame([200], array_values(array_unique(array_column($decided, 'status'))), $this->logs());
        }
        /** @var list<array{id: string}> $left */
        $left = json_decode((string) gzdecode($this->server->call('GET', '/api/tray', headers: $headers)['body']), true);
        self::assertCount(\count($rows) - 6, $left);
        self::assertStringNotContainsString('wrong', $this->server->console('data:check'));
    }

    public function testTheSiteIsRightWithTlsToo(): void
    {
        exec(\sprintf('openssl req -x509 -newkey rsa:2048 -nodes -days 2 -subj /CN=tray.example -keyout %1$s/key.pem -out %1$s/certificate.pem 2>&1', escapeshellarg($this->folder)), $said, $code);
        self::assertSame(0, $code, implode("\n", $said));
        $file = $this->nginx('127.0.0.1:'.$this->port.' ssl http2', "ssl_certificate {$this->folder}/certificate.pem; ssl_certificate_key {$this->folder}/key.pem; ssl_protocols TLSv1.2 TLSv1.3;");
        exec(self::program('nginx').' -t -c '.escapeshellarg($file).' 2>&1', $said, $code);
        self::assertSame(0, $code, implode("\n", $said));
    }

    public function testWhatIsMissingIsNamed(): void
    {
        exec(self::project().'/deploy/render '.self::project().'/deploy/nginx.conf NAME=x 2>&1', $said, $code);
        self::assertSame([1, 'Not filled in: @LISTEN@ @ROOT@ @SOCKET@ @TLS@'], [$code, implode("\n", $said)]);
        foreach (['install', 'update', 'common.sh'] as $script) {
            exec('bash -n '.self::project().'/deploy/'.$script.' 2>&1', $said, $code);
            self::assertSame(0, $code, $script);
        }
    }

    /** php-fpm does not begin with a setting that is empty. */
    public function testNothingThatNeedsAValueIsInstalledWithoutOne(): void
    {
        preg_match_all('/[ (](\w+)=(?=[\s)])/', (string) file_get_contents(self::project().'/deploy/common.sh'), $empty);
        self::assertContains('PID', $empty[1]);
        preg_match_all('/= @(\w+)@$/m', (string) file_get_contents(self::project().'/deploy/php-fpm.conf'), $needed);
        self::assertContains('TIMING', $needed[1]);
        self::assertSame([], array_values(array_intersect($needed[1], $empty[1])));
    }

    /** @return string the file, filled in for this folder */
    private function render(string $template, string ...$more): string
    {
        $user = posix_getpwuid(posix_geteuid())['name'] ?? 'root';
        $values = $more + ['ROOT' => self::project(), 'DATA' => $this->folder.'/data', 'USER' => $user, 'GROUP' => $user, 'SOCKET' => $this->folder.'/php.sock', 'CHILDREN' => '4', 'HOSTS' => '127.0.0.1', 'TIMING' => '1', 'PID' => '', 'LISTEN_OWNER' => '', 'NAME' => '127.0.0.1', 'LISTEN' => '', 'TLS' => ''];
        $arguments = array_map(static fn (int|string $name, string $value): string => escapeshellarg($name.'='.$value), array_keys($values), $values);
        exec(self::project().'/deploy/render '.self::project().'/deploy/'.$template.' '.implode(' ', $arguments), $lines, $code);
        self::assertSame(0, $code);
        file_put_contents($file = $this->folder.'/'.$template, implode("\n", $lines)."\n");

        return $file;
    }

    private function nginx(string $listen, string $tls): string
    {
        $site = $this->render('nginx.conf', LISTEN: $listen, TLS: $tls);
        $user = 0 === posix_geteuid() ? "user root;\n" : '';
        $temporary = implode("\n", array_map(fn (string $kind): string => "{$kind}_temp_path {$this->folder}/{$kind};", ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']));
        file_put_contents($file = $this->folder.'/main.conf', "{$user}include /etc/nginx/modules-enabled/*.conf;\ndaemon off;\npid {$this->folder}/nginx.pid;\nerror_log {$this->folder}/nginx.log;\nworker_processes 2;\nevents {}\nhttp {\ninclude /etc/nginx/mime.types;\naccess_log off;\n{$temporary}\ninclude {$site};\n}\n");

        return $file;
    }

    /** @param list<string> $arguments */
    private function start(string $program, array $arguments): void
    {
        $process = proc_open(['setsid', self::program($program), ...$arguments], [1 => ['file', $this->folder.'/'.$program.'.out', 'a'], 2 => ['file', $this->folder.'/'.$program.'.out', 'a']], $pipes);
        self::assertIsResource($process);
        $this->running[] = $process;
    }

    private static function program(string $name): string
    {
        return (new ExecutableFinder())->find($name, null, ['/usr/sbin', '/sbin']) ?? self::fail("{$name} is missing: ./zippy test installs it.");
    }

    private static function project(): string
    {
        return \dirname(__DIR__, 3);
    }

    private function logs(): string
    {
        return implode("\n", array_map(static fn (string $file): string => (string) file_get_contents($file), [...glob($this->folder.'/*.out') ?: [], ...glob($this->folder.'/*.log') ?: [], ...glob($this->folder.'/data/log/*') ?: []]));
    }
}
