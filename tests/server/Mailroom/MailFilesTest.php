<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Server\Mailroom\FoundMessage;
use ZippyTray\Server\Mailroom\MailFiles;
use ZippyTray\Server\Mailroom\MboxFile;

final class MailFilesTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/zippy-tray-mail-'.getmypid();
        (new Filesystem())->mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    /** @return iterable<string, array{string, list<string>}> file, messages */
    public static function mailboxes(): iterable
    {
        $from = "From a@x.example Tue Nov 24 10:00:00 2026\n";
        yield 'two messages' => ["{$from}Subject: 1\n\nOne\n\n{$from}Subject: 2\n\nTwo\n", ["Subject: 1\n\nOne\n", "Subject: 2\n\nTwo\n"]];
        yield 'quoted once' => ["{$from}Subject: 1\n\n>From here on\n", ["Subject: 1\n\nFrom here on\n"]];
        yield 'quoted quotes' => ["{$from}Subject: 1\n\n>>From here on\n>>>From there\n", ["Subject: 1\n\n>From here on\n>>From there\n"]];
        yield 'other quotes stay' => ["{$from}Subject: 1\n\n> From here on\n>Fromage\n", ["Subject: 1\n\n> From here on\n>Fromage\n"]];
        yield 'unquoted sentences do not part' => [
            "{$from}Subject: 1\n\nOne\n\nFrom now on we open at ten.\n\nFrom Merrow\n",
            ["Subject: 1\n\nOne\n\nFrom now on we open at ten.\n\nFrom Merrow\n"],
        ];
        yield 'a separator needs an empty line before it' => ["{$from}Subject: 1\n\nOne\n{$from}", ["Subject: 1\n\nOne\n{$from}"]];
        yield 'with a zone' => ["From a@x.example Tue Nov 24 10:00:00 +0100 2026\nSubject: 1\n\nOne\n", ["Subject: 1\n\nOne\n"]];
        yield 'with a dash' => ["From - Tue Nov 24 10:00:00 2026\nSubject: 1\n\nOne\n", ["Subject: 1\n\nOne\n"]];
        yield 'without a date, header follows' => [
            "From a@x.example\nSubject: 1\n\nOne\n\nFrom b@x.example\nSubject: 2\n\nTwo",
            ["Subject: 1\n\nOne\n", "Subject: 2\n\nTwo"],
        ];
        yield 'without a date, no header follows' => [
            "{$from}Subject: 1\n\nOne\n\nFrom b@x.example\nmany greetings\n",
            ["Subject: 1\n\nOne\n\nFrom b@x.example\nmany greetings\n"],
        ];
        yield 'the first line may say anything, and come again' => [
            "From nobody\nSubject: 1\n\nOne\n\nFrom nobody\nSubject: 2\n\nTwo\n\nFrom somebody\nelse: x\n",
            ["Subject: 1\n\nOne\n", "Subject: 2\n\nTwo\n\nFrom somebody\nelse: x\n"],
        ];
        yield 'line ends of Windows' => [
            str_replace("\n", "\r\n", "{$from}Subject: 1\n\nOne\n\n{$from}Subject: 2\n\n>From two\n"),
            ["Subject: 1\r\n\r\nOne\r\n", "Subject: 2\r\n\r\nFrom two\r\n"],
        ];
        yield 'empty lines at the end of a message stay but one' => [
            "{$from}Subject: 1\n\nOne\n\n\n\n{$from}Subject: 2\n\nTwo\n",
            ["Subject: 1\n\nOne\n\n\n", "Subject: 2\n\nTwo\n"],
        ];
        yield 'nothing after the separator' => ["{$from}\n{$from}Subject: 2\n\nTwo\n", ['', "Subject: 2\n\nTwo\n"]];
        yield 'bytes of any kind' => ["{$from}Subject: 1\n\n\x00\xff\xfe\x80\n", ["Subject: 1\n\n\x00\xff\xfe\x80\n"]];
        yield 'empty lines first' => ["\n\n{$from}Subject: 1\n\nOne", ["Subject: 1\n\nOne"]];
    }

    /** @param list<string> $expected */
    #[DataProvider('mailboxes')]
    public function testMailboxesAreTakenApart(string $content, array $expected): void
    {
        self::assertSame($expected, array_map(static fn (FoundMessage $found): ?string => $found->raw, $this->read(['box' => $content])));
    }

    public function testPositionsAreBytesFromTheBeginningOfTheFile(): void
    {
        $from = "From a@x.example Tue Nov 24 10:00:00 2026\n";
        $first = "{$from}Subject: 1\n\nÖne\n\n";
        self::assertSame(
            [0, \strlen($first)],
            array_map(static fn (FoundMessage $found): int => $found->position, $this->read(['box' => $first.$from."Subject: 2\n\nTwo\n"])),
        );
    }

    public function testWhatWasQuotedComesOutAsItWent(): void
    {
        mt_srand(3);
        $originals = [];
        $box = '';
        for ($i = 0; $i < 60; ++$i) {
            $lines = ['Subject: '.$i, ''];
            for ($j = mt_rand(1, 12); $j > 0; --$j) {
                $lines[] = [
                    '',
                    'From the light',
                    '>From the light',
                    '>>From it',
                    'text',
                    '> quoted',
                    'From a@x.example Tue Nov 24 10:00:00 2026',
                ][mt_rand(0, 6)];
            }
            $originals[] = implode("\n", $lines)."\n";
            $box .= "From a@x.example Tue Nov 24 10:00:00 2026\n".preg_replace('/^(>*From )/m', '>$1', end($originals))."\n";
        }
        self::assertSame($originals, array_map(static fn (FoundMessage $found): ?string => $found->raw, $this->read(['box' => $box])));
    }

    public function testFoldersAreReadWithMaildirsInThem(): void
    {
        $found = $this->read([
            'a.eml' => "Subject: a\n\na",
            'sub/box.mbox' => "From a@x.example Tue Nov 24 10:00:00 2026\nSubject: b\n\nb",
            'Maildir/cur/1:2,S' => "Subject: c\n\nc",
            'Maildir/new/2' => "Subject: d\n\nd",
            'Maildir/tmp/3' => "Subject: half\n\nwritten",
            'Maildir/maildirfolder' => '',
            'Maildir/.Sent/cur/4' => "Subject: e\n\ne",
            'Maildir/.Sent/new/.keep' => '',
            '.hidden' => 'x',
        ]);
        $subjects = array_map(static fn (FoundMessage $found): string => substr((string) $found->raw, 9, 1), $found);
        sort($subjects);
        self::assertSame(['a', 'b', 'c', 'd', 'e'], $subjects);
    }

    public function testWhatIsNotThereIsReported(): void
    {
        $found = iterator_to_array((new MailFiles(new MboxFile()))->in($this->folder.'/nowhere', 'nowhere'), false);
        self::assertCount(1, $found);
        self::assertNull($found[0]->raw);
        self::assertSame('There is no such file or folder.', $found[0]->problem);
    }

    public function testAFileInWhichNoMessageIsFoundSaysSo(): void
    {
        $found = $this->read(['letter.txt' => "From here on we open at ten.\n\nMany greetings\n"]);
        self::assertSame(
            [[null, 'No message was found in it.']],
            array_map(static fn (FoundMessage $one): array => [$one->raw, $one->problem], $found),
        );
    }

    public function testMemoryDoesNotGrowWithTheFile(): void
    {
        $path = $this->folder.'/large';
        $message = "From a@x.example Tue Nov 24 10:00:00 2026\nSubject: x\n\n".str_repeat(str_repeat('x', 75)."\n", 1000)."\n";
        $file = fopen($path, 'w');
        self::assertIsResource($file);
        for ($i = 0; $i < 800; ++$i) {
            fwrite($file, $message);
        }
        fclose($file);
        $before = memory_get_usage();
        $most = 0;
        $count = 0;
        foreach ((new MailFiles(new MboxFile()))->in($path) as $found) {
            ++$count;
            $most = max($most, memory_get_usage() - $before);
        }
        self::assertSame(800, $count);
        self::assertLessThan(10 * \strlen($message), $most);
    }

    /**
     * @param array<string, string> $files
     *
     * @return list<FoundMessage>
     */
    private function read(array $files): array
    {
        foreach ($files as $name => $content) {
            (new Filesystem())->dumpFile($this->folder.'/'.$name, $content);
        }

        return iterator_to_array(
            (new MailFiles(new MboxFile()))->in(1 === \count($files) ? $this->folder.'/'.array_key_first($files) : $this->folder),
            false,
        );
    }
}
