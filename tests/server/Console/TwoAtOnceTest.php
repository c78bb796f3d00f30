<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Console;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/**
 * Several processes work in one database at the same time, as the page's requests do.
 */
final class TwoAtOnceTest extends TestCase
{
    private const MESSAGES = 120;

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/zippy-tray-at-once-'.getmypid();
        (new Filesystem())->mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    public function testTwoImportsAtOnceWaitForEachOtherAndLoseNothing(): void
    {
        $this->import('none')->wait();
        foreach (['one', 'two'] as $name) {
            (new Filesystem())->dumpFile($this->folder.'/'.$name, $this->box($name));
        }
        $running = [$this->import('one'), $this->import('two')];
        foreach ($running as $process) {
            $process->wait();
            self::assertSame(
                ['read' => self::MESSAGES, 'new' => self::MESSAGES, 'known' => 0, 'refused' => []],
                json_decode($process->getOutput(), true),
                $process->getErrorOutput(),
            );
        }
        self::assertSame(2 * self::MESSAGES, $this->rowsOf('message'));
        self::assertSame(2 * self::MESSAGES, $this->rowsOf('message_source'));
        self::assertSame(2 * self::MESSAGES, $this->rowsOf('conversation_message'));
    }

    public function testTheSameFileTwiceAtOnceIsTakenOnce(): void
    {
        $this->import('none')->wait();
        (new Filesystem())->dumpFile($this->folder.'/one', $this->box('one'));
        $running = [$this->import('one'), $this->import('one')];
        $new = 0;
        foreach ($running as $process) {
            $process->wait();
            $outcome = json_decode($process->getOutput(), true);
            self::assertIsArray($outcome, $process->getErrorOutput());
            self::assertSame([], $outcome['refused']);
            self::assertIsInt($outcome['new']);
            $new += $outcome['new'];
        }
        self::assertSame(self::MESSAGES, $new);
        self::assertSame(self::MESSAGES, $this->rowsOf('message'));
    }

    private function box(string $name): string
    {
        $box = '';
        for ($i = 0; $i < self::MESSAGES; ++$i) {
            $reference = 0 === $i % 3 ? '' : \sprintf("References: <%d.%s@x.example>\n", $i - 1, $name);
            $box .= "From a@x.example Tue Nov 24 10:00:00 2026\nFrom: <a@x.example>\nSubject: {$name} {$i}\n"
                ."Message-ID: <{$i}.{$name}@x.example>\n{$reference}\nText {$i}\n\n";
        }

        return $box;
    }

    private function import(string $name): Process
    {
        $process = new Process(
            [\PHP_BINARY, \dirname(__DIR__, 3).'/server/console.php', 'mail:import', '--account=wren@ternpoint.example', $name],
            $this->folder,
            ['ZIPPY_DATA' => $this->folder.'/data', 'APP_ENV' => 'test', 'ZIPPY_DEMO' => '0', 'ZIPPY_STRICT' => '1'],
        );
        $process->start();

        return $process;
    }

    private function rowsOf(string $table): int
    {
        $result = (new \PDO('sqlite:'.$this->folder.'/data/zippy-tray.sqlite'))->query('SELECT COUNT(*) FROM '.$table);
        self::assertInstanceOf(\PDOStatement::class, $result);
        $count = $result->fetchColumn();

        return is_numeric($count) ? (int) $count : -1;
    }
}
