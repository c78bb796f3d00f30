<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Deploy;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Tests\Server\InstalledServer;
use ZippyTray\Tests\Server\RealServer;

/**
 * The program behind nginx and php-fpm, started from the files with which it is installed.
 */
final class DeployTest extends TestCase
{
    private const CLIENTS = 16;

    private string $folder;

    private InstalledServer $installed;

    private RealServer $server;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/zippy-tray-deploy-'.getmypid();
        $this->installed = new InstalledServer($this->folder, RealServer::freePort());
        $this->server = new RealServer($this->folder, ['ZIPPY_DEMO' => '1'], port: $this->installed->port);
        self::assertStringContainsString('Sign in as', $this->server->console('demo:seed', '--still'));
        $this->installed->start();
    }

    protected function tearDown(): void
    {
        $this->installed->end();
        (new Filesystem())->remove($this->folder);
    }

    public function testThePageIsSentCompressedAndKept(): void
    {
        $page = $this->server->call('GET', '/some/view');
        self::assertSame(200, $page['status'], $this->installed->logs());
        self::assertStringContainsString('Content-Security-Policy: ', $page['headers']);
        self::assertSame(1, preg_match('~src="(/build/assets/[^"]+\.js)"~', $page['body'], $m));
        foreach (['br' => 'br', 'gzip, deflate' => 'gzip', '' => null] as $accepted => $encoding) {
            $asset = $this->server->call('GET', $m[1], headers: '' === $accepted ? [] : ['Accept-Encoding' => $accepted]);
            self::assertSame(200, $asset['status']);
            self::assertStringContainsString('immutable', $asset['headers']);
            self::assertSame(
                $encoding,
                1 === preg_match('/^Content-Encoding: (\S+)/mi', $asset['headers'], $n) ? $n[1] : null,
                (string) $accepted,
            );
        }
        self::assertSame(404, $this->server->call('GET', '/build/assets/none.js')['status']);
    }

    public function testNothingElseIsGivenOut(): void
    {
        foreach ([
            '/index.php',
            '/../composer.json',
            '/build/../../../composer.json',
            '/build/assets/../../../src/Kernel.php',
            '/index.php/api/session',
            '/.env',
            '/build/',
        ] as $path) {
            $answer = $this->server->call('GET', $path);
            self::assertStringNotContainsString('<?php', $answer['body'], $path);
            self::assertStringNotContainsString('"require"', $answer['body'], $path);
        }
        self::assertSame(401, $this->server->call('GET', '/api/tray')['status']);
        self::assertSame(
            421,
            $this->server->call('GET', '/api/session', headers: ['Host' => 'elsewhere.example'])['status'],
            'The program looks at the name, too.',
        );
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
                self::assertSame(
                    [200],
                    array_values(array_unique(array_column(
                        $this->server->atOnce(self::CLIENTS, 'GET', $path, headers: $headers),
                        'status',
                    ))),
                    $path.$this->installed->logs(),
                );
            }
            // All ask for the same decision: it is made once, and each is told of it.
            $decided = $this->server->atOnce(
                self::CLIENTS,
                'POST',
                '/api/decisions',
                ['id' => $id, 'kind' => 'archive', 'conversations' => [['id' => $rows[$round]['id']]]],
                $headers,
            );
            self::assertSame([200], array_values(array_unique(array_column($decided, 'status'))), $this->installed->logs());
        }
        /** @var list<array{id: string}> $left */
        $left = json_decode((string) gzdecode($this->server->call('GET', '/api/tray', headers: $headers)['body']), true);
        self::assertCount(\count($rows) - 6, $left);
        self::assertStringNotContainsString('wrong', $this->server->console('data:check'));
    }

    public function testTheSiteIsRightWithTlsToo(): void
    {
        exec(
            \sprintf(
                'openssl req -x509 -newkey rsa:2048 -nodes -days 2 -subj /CN=tray.example -keyout %1$s/key.pem -out %1$s/certificate.pem '
                    .'2>&1',
                escapeshellarg($this->folder),
            ),
            $said,
            $code,
        );
        self::assertSame(0, $code, implode("\n", $said));
        $file = $this->installed->nginx(
            '127.0.0.1:'.$this->installed->port.' ssl http2',
            "ssl_certificate {$this->folder}/certificate.pem; ssl_certificate_key {$this->folder}/key.pem; ssl_protocols TLSv1.2 TLSv1.3;",
        );
        exec(InstalledServer::program('nginx').' -t -c '.escapeshellarg($file).' 2>&1', $said, $code);
        self::assertSame(0, $code, implode("\n", $said));
    }

    public function testWhatIsMissingIsNamed(): void
    {
        exec(self::project().'/deploy/render '.self::project().'/deploy/nginx.conf NAME=x 2>&1', $said, $code);
        self::assertSame([1, 'Not filled in: @LISTEN@ @PLAIN@ @ROOT@ @SOCKET@ @TLS@'], [$code, implode("\n", $said)]);
        foreach (['install', 'update', 'common.sh'] as $script) {
            exec('bash -n '.self::project().'/deploy/'.$script.' 2>&1', $said, $code);
            self::assertSame(0, $code, $script);
        }
    }

    /** What cannot be set up must not be taken for a release. */
    public function testWhatFailsOnTheWayStopsIt(): void
    {
        $empty = $this->folder.'/empty';
        (new Filesystem())->mkdir($empty);
        exec(
            'bash -ec '.escapeshellarg(
                'id() { echo 0; }; . '
                    .self::project().'/deploy/common.sh; source='.$empty.'; home='.$empty.'; release=$(put_release); echo "It goes '
                    .'on with $release"',
            ).' 2>&1',
            $said,
            $code,
        );
        self::assertNotSame(0, $code);
        self::assertStringNotContainsString('It goes on', implode("\n", $said));
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

    private static function project(): string
    {
        return \dirname(__DIR__, 3);
    }
}
