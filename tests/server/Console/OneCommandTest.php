<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Console;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/**
 * What ./zippy says before it does anything.
 */
final class OneCommandTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/zippy-tray-command-'.getmypid();
        (new Filesystem())->mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function mistakes(): iterable
    {
        yield 'a port that is none' => [['demo', '--port', 'abc'], '"abc" is no port; it takes a number from 1 to 65535.'];
        yield 'a port that is too high' => [['serve', '--port=70000'], '"70000" is no port'];
        yield 'no port named' => [['serve', '--port'], '--port needs a number.'];
        yield 'an unknown option' => [['demo', '--frob'], 'I do not know "--frob".'];
        yield 'beginning anew with own mail' => [['serve', '--fresh'], '--fresh is for the demo only'];
        yield 'an unknown word' => [['frob'], './zippy demo'];
    }

    /** @param list<string> $arguments */
    #[DataProvider('mistakes')]
    public function testMistakesAreSaidInASentence(array $arguments, string $sentence): void
    {
        $process = $this->zippy($arguments);
        self::assertNotSame(0, $process->getExitCode());
        self::assertStringContainsString($sentence, $process->getErrorOutput());
    }

    public function testATakenPortIsSaidWithARemedy(): void
    {
        $server = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($server);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($server, false), ':'), 1);
        $process = $this->zippy(['serve', '--port', (string) $port]);
        self::assertSame(1, $process->getExitCode());
        self::assertSame(
            \sprintf("Port %d is taken by another program. Choose another one, e.g. --port %d.\n", $port, $port + 1),
            $process->getErrorOutput(),
        );
    }

    public function testTheDemoKeepsItsHandsOffOtherMailAndServeOffTheDemo(): void
    {
        touch($this->folder.'/this-is-the-demo');
        self::assertStringContainsString('holds the demo', $this->zippy(['serve', '--port', '1'])->getErrorOutput());
    }

    public function testAFolderThatCannotBeWrittenToIsNamed(): void
    {
        touch($this->folder.'/file');
        $process = $this->zippy(['serve', '--port', '1'], $this->folder.'/file/data');
        self::assertStringContainsString('cannot be written to. Set ZIPPY_DATA to another one.', $process->getErrorOutput());
    }

    public function testAloneItSaysWhatItCanDo(): void
    {
        $process = $this->zippy([]);
        self::assertSame(0, $process->getExitCode());
        foreach (['demo', 'serve', 'work', 'setup', 'test', 'shots', 'console'] as $word) {
            self::assertStringContainsString('./zippy '.$word, $process->getOutput());
        }
    }

    public function testAWorkerThatDiesIsStartedAgain(): void
    {
        $process = new Process(
            ['bash', \dirname(__DIR__, 3).'/zippy', 'work'],
            env: ['ZIPPY_DATA' => $this->folder, 'APP_CACHE_DIR' => false],
        );
        $process->start();
        try {
            $first = $this->worker();
            posix_kill($first, \SIGKILL);
            self::assertNotSame($first, $this->worker($first));
            self::assertStringContainsString('It is started again in 1 seconds', $process->getOutput().$process->getErrorOutput());
        } finally {
            $process->signal(\SIGTERM);
            posix_kill($this->worker(), \SIGTERM);
            $process->wait();
        }
    }

    /** @return int the process that works in the folder, another than this one */
    private function worker(int $before = 0): int
    {
        for ($try = 0; $try < 2400; ++$try) {
            foreach (glob('/proc/[0-9]*/environ') ?: [] as $file) {
                $process = (int) basename(\dirname($file));
                $isIt = str_contains((string) @file_get_contents($file), 'ZIPPY_DATA='.$this->folder)
                    && str_contains((string) @file_get_contents("/proc/{$process}/cmdline"), 'data:work');
                if ($isIt && $process !== $before) {
                    return $process;
                }
            }
            usleep(50_000);
        }
        self::fail('Nobody works.');
    }

    /** @param list<string> $arguments */
    private function zippy(array $arguments, ?string $data = null): Process
    {
        $process = new Process(
            ['bash', \dirname(__DIR__, 3).'/zippy', ...$arguments],
            env: ['ZIPPY_DATA' => $data ?? $this->folder, 'APP_CACHE_DIR' => false],
        );
        $process->setTimeout(20);
        $process->run();

        return $process;
    }
}
