<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Console;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/**
 * The command as a person calls it: a process of its own on an empty folder.
 */
final class ImportCommandTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/zippy-tray-import-'.getmypid();
        (new Filesystem())->mkdir($this->folder.'/mail');
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    public function testOnAnEmptyFolderItMakesTheSchemaAndTheAccountAndPrintsOneObject(): void
    {
        $letter = "From: tam@glass.example\r\nSubject: Glass \xFF\r\nMessage-ID: <a@glass.example>\r\n\r\nbytes \x00\x80\xFF\r\n";
        $this->write([
            'a.eml' => $letter,
            'b.mbox' => "From x@y Tue Nov 24 10:00:00 2026\n{$letter}\nFrom x@y Tue Nov 24 10:00:00 2026\nno message\n",
            'c.eml' => '',
        ]);

        $first = $this->import('--account=wren@ternpoint.example', 'mail');
        self::assertSame(0, $first->getExitCode(), $first->getErrorOutput());
        $position = \strlen("From x@y Tue Nov 24 10:00:00 2026\n{$letter}\n");
        self::assertSame([
            'read' => 4,
            'new' => 1,
            'known' => 1,
            'refused' => [
                [
                    'file' => 'mail/b.mbox',
                    'position' => $position,
                    'error' => 'It has no header such as "From:" or "Subject:", so it is no message.',
                ],
                ['file' => 'mail/c.eml', 'position' => 0, 'error' => 'It is empty.'],
            ],
        ], json_decode($first->getOutput(), true));

        $database = new \PDO('sqlite:'.$this->folder.'/data/zippy-tray.sqlite');
        $stored = $database->query('SELECT source FROM message_source');
        self::assertInstanceOf(\PDOStatement::class, $stored);
        self::assertSame(
            [$letter],
            array_map(
                static fn (mixed $source): string|false => gzuncompress(\is_string($source) ? $source : ''),
                $stored->fetchAll(\PDO::FETCH_COLUMN),
            ),
        );

        $again = $this->import('mail/a.eml');
        self::assertSame(['read' => 1, 'new' => 0, 'known' => 1, 'refused' => []], json_decode($again->getOutput(), true));
    }

    public function testWithoutAnAccountItSaysWhatToDo(): void
    {
        $this->write(['a.eml' => "Subject: x\n\nx"]);
        $process = $this->import('mail');
        self::assertSame(2, $process->getExitCode());
        self::assertSame('', $process->getOutput());
        self::assertStringContainsString('--account=ADDRESS', $process->getErrorOutput());
        self::assertSame(2, $this->import('--account=nonsense', 'mail')->getExitCode());
        self::assertSame(2, $this->import('--account=a@b.example', '--into=nowhere', 'mail')->getExitCode());
    }

    public function testAFileThatIsNotThereIsReportedAndTheRestGoesOn(): void
    {
        $this->write(['a.eml' => "Subject: x\n\nx"]);
        $process = $this->import('--account=a@b.example', 'nowhere', 'mail');
        self::assertSame(
            [
                'read' => 2,
                'new' => 1,
                'known' => 0,
                'refused' => [['file' => 'nowhere', 'position' => 0, 'error' => 'There is no such file or folder.']],
            ],
            json_decode($process->getOutput(), true),
        );
    }

    public function testThreadsArePrintedAndNothingIsStored(): void
    {
        $box = '';
        foreach (['b' => ['a', 2], 'a' => ['', 1], 'c' => ['', 3], 'd' => ['c', 4]] as $id => [$reference, $day]) {
            $box .= "From x@y Tue Nov 24 10:00:00 2026\nFrom: tam@glass.example\nSubject: {$id}\nDate: {$day} Nov 2026 10:00 +0000\n"
                ."Message-ID: <{$id}@x>\n".('' === $reference ? '' : "In-Reply-To: <{$reference}@x>\n")."\n{$id}\n\n";
        }
        $this->write(['box.mbox' => $box]);
        $process = $this->console('mail:threads', 'mail/box.mbox');
        self::assertSame(['threads' => [['<a@x>', '<b@x>'], ['<c@x>', '<d@x>']]], json_decode($process->getOutput(), true));
        self::assertFileDoesNotExist($this->folder.'/data/zippy-tray.sqlite');
    }

    /** @param array<string, string> $files */
    private function write(array $files): void
    {
        foreach ($files as $name => $content) {
            (new Filesystem())->dumpFile($this->folder.'/mail/'.$name, $content);
        }
    }

    private function import(string ...$arguments): Process
    {
        return $this->console('mail:import', ...$arguments);
    }

    private function console(string ...$arguments): Process
    {
        $process = new Process(
            [\PHP_BINARY, \dirname(__DIR__, 3).'/server/console.php', ...$arguments],
            $this->folder,
            ['ZIPPY_DATA' => $this->folder.'/data', 'APP_ENV' => 'test', 'ZIPPY_DEMO' => '0', 'ZIPPY_STRICT' => '1'],
        );
        $process->run();

        return $process;
    }
}
