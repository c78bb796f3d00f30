<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Limit;
use ZippyTray\Core\Mail\Mime\MimePart;
use ZippyTray\Core\Mail\Mime\MimeStructure;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;
use ZippyTray\Core\Mail\Remark\RemarkKind;

final class MimeStructureTest extends TestCase
{
    /** @return iterable<string, array{string, mixed}> a body with the boundary b, and what is in it */
    public static function bodies(): iterable
    {
        yield 'two parts' => ["--b\n\none\n--b\n\ntwo\n--b--\n", ['one', 'two']];
        yield 'before and behind' => ["preamble\n--b\n\none\n--b--\nepilogue\n--b\n\nnot a part\n", ['one']];
        yield 'never closed' => ["--b\n\none\n--b\n\ntwo", ['one', 'two']];
        yield 'blanks behind the boundary' => ["--b \t\n\none\n--b-- \n", ['one']];
        yield 'a longer line that begins alike' => ["--b\n\none\n--bc\n--b--\n", ["one\n--bc"]];
        yield 'hyphens within' => ["--b\n\n-- \nAda\n--\n--b--\n", ["-- \nAda\n--"]];
        yield 'an empty part' => ["--b\n--b\n\ntwo\n--b--", ['', 'two']];
        yield 'an empty line belongs to the text' => ["--b\n\none\n\n--b--", ["one\n"]];
        yield 'headers without a body' => ["--b\nX: y\n--b\n\ntwo\n--b--", ['', 'two']];
        yield 'parts within' => [
            "--b\nContent-Type: multipart/mixed; boundary=c\n\n--c\n\none\n--c\n\ntwo\n--c--\n--b\n\nthree\n--b--",
            [['one', 'two'], 'three'],
        ];
        yield 'inner ones never closed' => [
            "--b\nContent-Type: multipart/mixed; boundary=c\n\n--c\n\none\n--b\n\ntwo\n--b--",
            [['one'], 'two'],
        ];
        yield 'inner ones of the same name' => [
            "--b\nContent-Type: multipart/mixed; boundary=b\n\n--b\n\none\n--b--\n--b\n\ntwo\n--b--",
            [['one'], 'two'],
        ];
        yield 'a message within is one part' => [
            "--b\nContent-Type: message/rfc822\n\nContent-Type: multipart/mixed; boundary=c\n\n--c\n\none\n--c--\n--b--",
            ["Content-Type: multipart/mixed; boundary=c\n\n--c\n\none\n--c--"],
        ];
        yield 'no boundary in it' => ['only text', 'only text'];
    }

    #[DataProvider('bodies')]
    public function testPartsAreFound(string $body, mixed $expected): void
    {
        foreach (["\n", "\r\n", "\r"] as $eol) {
            $raw = str_replace("\n", $eol, "Subject: x\nContent-Type: multipart/mixed; boundary=\"b\"\n\n".$body);
            self::assertSame($expected, self::texts((new MimeStructure())->parse($raw), $eol), json_encode($eol, \JSON_THROW_ON_ERROR));
        }
    }

    public function testItGoesAsDeepAndAsFarAsItMayAndSaysSo(): void
    {
        $deep = "Content-Type: multipart/mixed; boundary=b0\n\n";
        for ($level = 0; $level < 150; ++$level) {
            $deep .= "--b{$level}\nContent-Type: multipart/mixed; boundary=b".($level + 1)."\n\n";
        }
        $root = (new MimeStructure())->parse($deep."--b150\n\ntext\n");
        self::assertSame([RemarkKind::Depth], $root->limits);
        for ($depth = 0, $part = $root; [] !== $part->parts; ++$depth) {
            $part = $part->parts[0];
        }
        self::assertSame(Limit::DEPTH, $depth);
        self::assertStringContainsString('text', $part->body, 'What is below is one piece, and whole.');

        $root = (new MimeStructure())->parse("Content-Type: multipart/mixed; boundary=b\n\n".str_repeat(
            "--b\n\na\n",
            Limit::PARTS + 500,
        ).'--b--');
        self::assertSame([RemarkKind::Parts], $root->limits);
        self::assertCount(Limit::PARTS - 1, $root->parts);

        $root = (new MimeStructure())->parse(str_repeat("X-Y: y\n", Limit::HEADER_LINES + 5)."Subject: z\n\ntext");
        self::assertSame([RemarkKind::HeaderLines], $root->headers->limits);
        self::assertSame('text', $root->body);
    }

    public function testWhatIsNoMessageIsRefused(): void
    {
        foreach ([
            '',
            " \n",
            "nothing\nat all",
            "\x89PNG\r\n\x1a\n\0\0",
            "\x89PNG\r\n\x1a\na:Q\0\r\n\r\n\xff",
            "name: lamp\nheight: 12\n\nThe keepers' list.",
        ] as $raw) {
            try {
                (new MimeStructure())->parse($raw);
                self::fail('It was taken for a message.');
            } catch (UnreadableMessage $problem) {
                self::assertStringStartsWith('It ', $problem->getMessage());
            }
        }
    }

    /** @return string|list<mixed> */
    private static function texts(MimePart $part, string $eol): string|array
    {
        return [] === $part->parts
            ? str_replace($eol, "\n", $part->body)
            : array_map(static fn (MimePart $child): string|array => self::texts($child, $eol), $part->parts);
    }
}
