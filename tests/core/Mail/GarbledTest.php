<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\AttachmentContent;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Mime\CharsetGuess;
use ZippyTray\Core\Mail\Mime\HtmlText;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Remark\RemarkKind;

/**
 * Messages that were not written as they should have been: their text is there all the same.
 */
final class GarbledTest extends TestCase
{
    private const FROM = "From: ada@x.example\nSubject: P\n";

    /** @return iterable<string, array{string, string}> message, text */
    public static function messages(): iterable
    {
        yield 'no empty line behind the header' => [
            self::FROM."Hi there, this is the text\nsecond line\n\nthird",
            "Hi there, this is the text\nsecond line\n\nthird",
        ];
        yield 'a line within the header that is no field' => ["From: ada@x.example\nsome line\nSubject: P\n\nHi there", 'Hi there'];
        yield 'a part without one' => [
            self::FROM."Content-Type: multipart/mixed; boundary=b\n\n--b\nContent-Type: text/plain\nText of the part\nmore\n\n--b\n"
                ."Content-Type: text/html\n\n<p>x</p>\n--b--\n",
            "Text of the part\nmore",
        ];
        yield 'plain text that is called base64' => [
            self::FROM."Content-Transfer-Encoding: base64\n\nDear Wren, here is the plan that I promised you. All the best, A\n",
            'Dear Wren, here is the plan that I promised you. All the best, A',
        ];
        yield 'base64 that was joined from pieces' => [
            self::FROM."Content-Transfer-Encoding: base64\n\n".base64_encode('Dear Wren, ').base64_encode('the plan.'),
            'Dear Wren, the plan.',
        ];
        yield 'base64 of more pieces than anybody joins' => [
            self::FROM."Content-Transfer-Encoding: base64\n\n".str_repeat('YWFh=', 1500),
            str_repeat('aaa', 1500),
        ];
        yield 'base64' => [
            self::FROM."Content-Transfer-Encoding: base64\n\n".chunk_split(base64_encode('Dear Wren, grüße and so on')),
            'Dear Wren, grüße and so on',
        ];
        yield 'quoted-printable that nobody says' => [
            self::FROM."Content-Type: text/plain; charset=utf-8\n\nDear Wren=2C this is =C3=A4 long line that=\n is broken=\n"
                ." and 1=3D2 =C3=BC\n",
            'Dear Wren, this is ä long line that is broken and 1=2 ü',
        ];
        yield 'quoted-printable under another name' => [
            self::FROM."Content-Type: text/plain; charset=utf-8\nContent-Transfer-Encoding: quoted_printable\n\n=C3=A4\n",
            'ä',
        ];
        yield 'something behind the boundary' => [
            self::FROM."Content-Type: multipart/alternative; boundary=\"b1\"xyz; foo=bar\n\n--b1\nContent-Type: text/plain\n\nText A\n"
                ."--b1\nContent-Type: text/html\n\n<p>Text A</p>\n--b1--\n",
            'Text A',
        ];
        yield 'Big5 without a word of it' => [self::FROM."\n".iconv('UTF-8', 'BIG5', '您好，謝謝您的來信，我們明天開會。'), '您好，謝謝您的來信，我們明天開會。'];
        yield 'GBK without a word of it' => [self::FROM."\n".iconv('UTF-8', 'GBK', '你好，谢谢你的来信，我们明天开会。'), '你好，谢谢你的来信，我们明天开会。'];
        yield 'Latin-1 without a word of it' => [
            self::FROM."\n".iconv('UTF-8', 'ISO-8859-1', 'Grüße aus Köln, très bien señor, à bientôt'),
            'Grüße aus Köln, très bien señor, à bientôt',
        ];
        yield 'a file within the text' => [
            self::FROM."\nSee file:\n\nbegin 644 a.txt\n".convert_uuencode("hello world\n")."end\n\nBye\n",
            "See file:\n\n\nBye",
        ];
    }

    #[DataProvider('messages')]
    public function testTheTextIsThere(string $raw, string $text): void
    {
        self::assertSame($text, self::read($raw)->text);
    }

    public function testAFileWithinTheTextIsAnAttachment(): void
    {
        $files = self::read(self::FROM."\nSee\n\nbegin 644 ../a.txt\n".convert_uuencode("hello world\n")."end\n")->attachments;
        self::assertSame(
            [['a.txt', 'text/plain', "hello world\n"]],
            array_map(
                static fn (AttachmentContent $file): array => [$file->attachment->name, $file->attachment->type, $file->bytes],
                $files,
            ),
        );
    }

    public function testAGuessIsSaid(): void
    {
        $kinds = static fn (MessageContent $read): array => array_map(static fn ($remark): RemarkKind => $remark->kind, $read->remarks);
        self::assertSame([RemarkKind::Charset], $kinds(self::read(self::FROM."\n".iconv('UTF-8', 'GBK', '你好，谢谢你的来信。'))));
        self::assertSame([], $kinds(self::read(self::FROM."\n你好，谢谢你的来信。")));
    }

    public function testCharacterSetsAreToldByTheirFrequentCharacters(): void
    {
        foreach ([
            'koi8-r' => 'Здравствуйте, отправляю вам документы на подпись до пятницы.',
            'windows-1251' => 'Здравствуйте, отправляю вам документы на подпись до пятницы.',
            'windows-1253' => 'Καλημέρα σας, στέλνω τα έγγραφα',
            'cp932' => 'お世話になっております。明日の会議の資料をお送りします。',
            'euc-jp' => 'お世話になっております。明日の会議の資料をお送りします。',
            'cp949' => '안녕하세요. 내일 회의 자료를 보내드립니다.',
            'big5' => '請於星期五前回覆附件中的問題，謝謝。',
            'gb18030' => '请于星期五前回复附件中的问题，谢谢。',
        ] as $charset => $text) {
            self::assertSame($charset, CharsetGuess::of((string) iconv('UTF-8', $charset, $text)));
        }
        foreach ([
            'windows-1250' => 'Příliš žluťoučký kůň úpěl ďábelské ódy',
            'iso-8859-1' => 'Où êtes-vous? Déjà à l\'été',
        ] as $charset => $text) {
            self::assertNull(CharsetGuess::of((string) iconv('UTF-8', $charset, $text)));
        }
    }

    public function testAddressesAndDates(): void
    {
        $read = self::read(
            "From: \"John Smith\" <\"john smith\"@x.example>\nTo: \"a b\"@y.example\nDate: Tue, 24 Nov 2026 09:30:00 -600\n\nHi",
        );
        self::assertSame(
            ['"john smith"@x.example', '"a b"@y.example', '2026-11-24T15:30:00+00:00'],
            [$read->from->email, $read->to[0]->email, $read->sentAt->instant->format(\DATE_ATOM)],
        );
        self::assertSame(
            '2002-04-03T05:56:00+00:00',
            self::read("From: a@x.example\nDate: Wednesday, April 03, 2002 5:56 AM\n\nHi")->sentAt->instant->format(\DATE_ATOM),
        );
        self::assertSame(
            '2002-04-03T17:56:00+00:00',
            self::read("From: a@x.example\nDate: April 3, 2002 5:56:00 PM GMT\n\nHi")->sentAt->instant->format(\DATE_ATOM),
        );
    }

    /** @return iterable<array{string, string}> */
    public static function formatted(): iterable
    {
        yield [
            '<p class=W>Please <b>send</b> the <span lang=EN style="color:red">plan</span> by <i>Friday</i>.<o:p></o:p></p><p '
                .'class=W><o:p>&nbsp;</o:p></p><p class=W>Ada</p>',
            "Please send the plan by Friday.\n\nAda",
        ];
        yield ['<div dir="ltr">Hi<div><br></div><div>Text <b>bold</b> and <i>more</i>.</div></div>', "Hi\n\nText bold and more."];
        yield ['<span>Hello</span> <span>world</span>'."\n".'<span>again</span>,<b> b</b>', 'Hello world again, b'];
        yield [
            '<table><tr><th>Name</th><th>Price</th></tr><tr><td><p>Door</p></td><td><div>3.00</div></td></tr></table>',
            "Name  Price\nDoor  3.00",
        ];
        yield ['Hi Wren,<br><br>one<br>two', "Hi Wren,\n\none\ntwo"];
        yield ['<div>one<br></div><div>two</div>', "one\ntwo"];
        yield ['<div>one</div><br><div>two</div>', "one\n\ntwo"];
        yield ['text before<div>in div</div>text after', "text before\nin div\ntext after"];
        yield ['<p>word<span> </span><span>another</span><span>&nbsp;</span>third</p>', 'word another third'];
    }

    #[DataProvider('formatted')]
    public function testWhatIsInlineStaysAndABlockBeginsALine(string $html, string $text): void
    {
        self::assertSame($text, str_replace("\u{a0}", ' ', (new HtmlText())->of($html)));
    }

    private static function read(string $raw): MessageContent
    {
        return (new MessageReader())->read($raw, new \DateTimeImmutable('2026-11-27'));
    }
}
