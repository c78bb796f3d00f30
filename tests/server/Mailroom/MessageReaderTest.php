<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\AttachmentContent;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;

/**
 * Reading whole messages, with the MIME parser that is used in earnest.
 */
final class MessageReaderTest extends TestCase
{
    /** @return iterable<string, array{string, string, list<string>}> source, text, attachments */
    public static function structures(): iterable
    {
        yield 'no MIME at all' => ["Subject: x\n\nHello", 'Hello', []];
        yield 'no body' => ['Subject: x', '', []];
        yield 'alternatives' => [
            self::multi('alternative', "Content-Type: text/plain\n\nplain", "Content-Type: text/html\n\n<p>html</p>"),
            'plain',
            [],
        ];
        yield 'alternatives without plain text' => [self::multi('alternative', "Content-Type: text/html\n\n<p>html</p>"), 'html', []];
        yield 'alternatives with empty plain text' => [
            self::multi('alternative', "Content-Type: text/plain\n\n \n", "Content-Type: text/html\n\n<p>html</p>"),
            'html',
            [],
        ];
        yield 'text, file, text' => [
            self::multi(
                'mixed',
                "Content-Type: text/plain\n\none",
                "Content-Type: image/png; name=p.png\n\nx",
                "Content-Type: text/plain\n\ntwo",
            ), "one\n\ntwo", ['p.png'],
        ];
        yield 'a text that is attached' => [
            self::multi('mixed', "\n\none", "Content-Type: text/plain\nContent-Disposition: attachment; filename=log.txt\n\nx"),
            'one',
            ['log.txt'],
        ];
        yield 'a text with a name after the text' => [
            self::multi('mixed', "\n\none", "Content-Type: text/plain; name=notes.txt\n\nx"),
            'one',
            ['notes.txt'],
        ];
        yield 'an invitation' => [
            self::multi(
                'alternative',
                "Content-Type: text/plain\n\nCome!",
                "Content-Type: text/calendar; method=REQUEST\n\nBEGIN:VCALENDAR",
            ),
            'Come!',
            ['attachment-1.ics'],
        ];
        yield 'a forwarded message' => [
            self::multi(
                'mixed',
                "Content-Type: text/plain\n\nSee below",
                "Content-Type: message/rfc822\n\nSubject: Glass\nContent-Type: text/plain\n\ninner",
            ), 'See below', ['Glass.eml'],
        ];
        yield 'signed' => [
            self::multi('signed', "Content-Type: text/plain\n\nsigned text", "Content-Type: application/pgp-signature\n\nx"),
            'signed text',
            ['attachment-1.asc'],
        ];
        yield 'nested' => [
            self::multi(
                'mixed',
                self::multi(
                    'related',
                    self::multi('alternative', "\n\nplain", "Content-Type: text/html\n\n<p>h</p>"),
                    "Content-Type: image/png\nContent-ID: <a@b>\n\nx",
                ),
                "Content-Type: application/pdf; name=a.pdf\n\nx",
            ),
            'plain', ['attachment-1.png', 'a.pdf'],
        ];
        yield 'boundary that never ends' => ["Content-Type: multipart/mixed; boundary=b\n\n--b\n\none", 'one', []];
        yield 'boundary that never comes' => ["Content-Type: multipart/mixed; boundary=b\n\njust text", 'just text', []];
        yield 'no boundary named' => ["Content-Type: multipart/mixed\n\njust text", 'just text', []];
        yield 'base64' => ["Content-Type: text/plain; charset=utf-8\nContent-Transfer-Encoding: base64\n\nR3LDvMOf\n ZQ==", 'Grüße', []];
        yield 'base64 with a footer behind it' => [
            "Content-Transfer-Encoding: base64\n\nSGVsbG8gdGhlcmU=\n\nThis list has a footer with many words, and more.\n",
            'Hello there',
            [],
        ];
        yield 'base64 in two pieces' => ["Content-Transfer-Encoding: base64\n\nSGVsbG8=\nSGVsbG8=\n", 'HelloHello', []];
        yield 'base64 with rubbish in it' => ["Content-Transfer-Encoding: BASE64\n\nSG!V\nsbG8=\n-- \nx", 'Hello', []];
        yield 'quoted-printable' => [
            "Content-Type: text/plain; charset=iso-8859-1\nContent-Transfer-Encoding: quoted-printable\n\nGr=FC=DFe=\n!",
            'Grüße!',
            [],
        ];
        yield 'charset named in the HTML' => ["Content-Type: text/html\n\n<meta charset=iso-8859-1><p>Gr\xFC\xDFe</p>", 'Grüße', []];
        yield 'flowed' => ["Content-Type: text/plain; format=flowed\n\none \ntwo", 'one two', []];
        yield 'line ends' => ["Subject: x\r\n\r\none\r\ntwo\r\n", "one\ntwo", []];
        yield 'an odd type' => ["Content-Type: text\n\nHello", 'Hello', []];
        yield 'a picture only' => ["Content-Type: image/jpeg\n\nx", '', ['attachment-1.jpg']];
        yield 'a name with a path' => ["Content-Type: application/pdf; name=\"C:\\\\dir\\\\a/b.pdf\"\n\nx", '', ['b.pdf']];
        yield 'uuencoded' => [
            "Content-Type: text/plain\nContent-Transfer-Encoding: x-uuencode\n\nbegin 644 a.txt\n%2&5L;&\\`\n`\nend\n",
            'Hello',
            [],
        ];
    }

    /** @param list<string> $attachments */
    #[DataProvider('structures')]
    public function testStructures(string $source, string $text, array $attachments): void
    {
        $content = self::read($source);
        self::assertSame($text, rtrim($content->text));
        self::assertSame(
            $attachments,
            array_map(static fn (AttachmentContent $found): string => $found->attachment->name, $content->attachments),
        );
    }

    public function testHeadersOfAMessage(): void
    {
        $content = self::read(<<<'EML'
            From: =?utf-8?q?Olga_Br=C3=A4ndt?= <olga@roofs.example>
            To: Wren <wren@ternpoint.example>, Ada <ada@ternpoint.example>
            Cc: petra@ternpoint.example
            Reply-To: office@roofs.example
            Subject: =?utf-8?q?D=C3=A4cher?=
            Date: Mon, 23 Nov 2026 08:12:00 +0100
            Message-ID: <c@roofs.example>
            In-Reply-To: <b@ternpoint.example>
            References: <a@ternpoint.example> <b@ternpoint.example>
            List-Id: Roofs <list.roofs.example>
            Precedence: list

            Text
            EML);
        self::assertSame(['Olga Brändt', 'olga@roofs.example'], [$content->from->name, $content->from->email]);
        self::assertSame(['wren@ternpoint.example', 'ada@ternpoint.example'], array_column($content->to, 'email'));
        self::assertSame(['petra@ternpoint.example'], array_column($content->cc, 'email'));
        self::assertSame(['office@roofs.example'], array_column($content->replyTo, 'email'));
        self::assertSame('Dächer', $content->subject);
        self::assertSame('c@roofs.example', $content->header);
        self::assertSame(['a@ternpoint.example', 'b@ternpoint.example'], $content->references);
        self::assertSame(['list-id' => 'Roofs <list.roofs.example>', 'precedence' => 'list'], $content->listHeaders);
        self::assertSame('Mon 23 Nov 2026, 08:12', $content->sentAt->text());
    }

    /** @return iterable<string, array{string}> */
    public static function noMessages(): iterable
    {
        yield 'nothing' => [''];
        yield 'white space' => [" \r\n\n"];
        yield 'prose' => ["Dear diary,\n\ntoday it rained: a lot."];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n\x00\x00"];
    }

    #[DataProvider('noMessages')]
    public function testWhatIsNoMessageIsSaidToBeNone(string $source): void
    {
        $this->expectException(UnreadableMessage::class);
        self::read($source);
    }

    public function testBrokenMessagesAreReadSomehow(): void
    {
        mt_srand(5);
        $whole = self::multi(
            'mixed',
            self::multi('alternative', "Content-Type: text/plain; charset=utf-8\n\nGrüße", "Content-Type: text/html\n\n<p>h<b>"),
            "Content-Type: image/png; name*=utf-8''%ff\nContent-Transfer-Encoding: base64\n\nAAAA",
        );
        for ($i = 0; $i < 400; ++$i) {
            $broken = $whole;
            for ($j = mt_rand(1, 6); $j > 0; --$j) {
                $at = mt_rand(12, \strlen($broken) - 1);
                $broken = match (mt_rand(0, 3)) {
                    0 => substr($broken, 0, $at),
                    1 => substr_replace($broken, \chr(mt_rand(0, 255)), $at, 1),
                    2 => substr_replace($broken, substr($broken, mt_rand(0, $at), mt_rand(0, 60)), $at, 0),
                    default => substr_replace($broken, '', $at, mt_rand(1, 20)),
                };
                $broken = \strlen($broken) < 20 ? $whole : $broken;
            }
            $content = self::read('Subject: '.$i."\n".$broken);
            self::assertTrue(mb_check_encoding($content->text.$content->subject, 'UTF-8'), base64_encode($broken));
            self::assertNotFalse(
                json_encode(array_map(static fn (AttachmentContent $found): mixed => $found->attachment, $content->attachments)),
                base64_encode($broken),
            );
        }
    }

    public function testPartsNestedBeyondReasonDoNoHarm(): void
    {
        $source = "\n\ncore";
        for ($i = 0; $i < 200; ++$i) {
            $source = self::multi('mixed', $source, boundary: 'b'.$i);
        }
        self::assertSame('deep', self::read("Subject: deep\n".$source)->subject);
    }

    /** A multipart of parts, each with its headers; one that begins with an empty line has none. */
    private static function multi(string $kind, string ...$parts): string
    {
        $boundary = $parts['boundary'] ?? 'b'.substr(md5(implode('', $parts)), 0, 6);
        unset($parts['boundary']);
        $bodies = array_map(
            static fn (string $part): string => "--{$boundary}\n".(str_starts_with($part, "\n") ? substr($part, 1) : $part)."\n",
            $parts,
        );

        return "Content-Type: multipart/{$kind}; boundary={$boundary}\n\n".implode('', $bodies)."--{$boundary}--\n";
    }

    private static function read(string $source): MessageContent
    {
        return (new MessageReader())->read($source, new \DateTimeImmutable('2026-11-24T10:00:00Z'));
    }
}
