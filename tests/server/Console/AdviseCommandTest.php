<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Console;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * mail:advise, as a person calls it.
 */
final class AdviseCommandTest extends TestCase
{
    private string $file;

    protected function setUp(): void
    {
        $this->file = (string) tempnam(sys_get_temp_dir(), 'letter');
    }

    protected function tearDown(): void
    {
        unlink($this->file);
    }

    public function testItPrintsOneObjectAndNothingElse(): void
    {
        file_put_contents(
            $this->file,
            "From: Olga Brandt <olga@roofs.example>\r\nTo: wren@ternpoint.example\r\nSubject: Drawings\r\n"
                ."Date: Tue, 24 Nov 2026 10:00:00 +0000\r\nContent-Type: text/plain; charset=utf-8\r\n\r\nGrüße!\r\n"
                ."Could you please send me the lantern drawings by Friday 4 December?\r\n",
        );
        $process = $this->advise('--me=wren@ternpoint.example');
        self::assertSame(0, $process->getExitCode(), $process->getErrorOutput());
        self::assertSame([
            'decision' => 'task',
            'title' => 'Send Olga the lantern drawings',
            'minutes' => 5,
            'reasons' => ['It asks you for something.', 'It names a deadline, Fri 4 Dec.', 'It looks like 5 minutes.'],
            'requests' => [['text' => 'Could you please send me the lantern drawings by Friday 4 December?', 'from' => 7, 'to' => 74]],
            'dates' => [[
                'kind' => 'deadline',
                'date' => '2026-12-04',
                'time' => null,
                'text' => 'by Friday 4 December',
                'from' => 53,
                'to' => 73,
            ]],
            'list' => [],
        ], json_decode($process->getOutput(), true));
        self::assertSame(1, substr_count($process->getOutput(), "\n"));
    }

    public function testItSaysWhatIsMissing(): void
    {
        self::assertStringContainsString('--me=ADDRESS', $this->advise()->getErrorOutput());
        $file = $this->file;
        $this->file .= '.not-there';
        $process = $this->advise('--me=wren@ternpoint.example');
        $this->file = $file;
        self::assertSame(1, $process->getExitCode());
        self::assertStringContainsString('is not a file that can be read', $process->getErrorOutput());
        self::assertStringContainsString('It is empty', $this->advise('--me=wren@ternpoint.example')->getErrorOutput());
    }

    private function advise(string ...$options): Process
    {
        $process = new Process([\PHP_BINARY, \dirname(__DIR__, 3).'/server/console.php', 'mail:advise', $this->file, ...$options]);
        $process->run();

        return $process;
    }
}
