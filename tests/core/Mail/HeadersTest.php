<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Mime\AddressParser;
use ZippyTray\Core\Mail\Mime\HeaderDecoder;
use ZippyTray\Core\Mail\Mime\HeaderParameters;
use ZippyTray\Core\Mail\Mime\Headers;
use ZippyTray\Core\Mail\Mime\MessageIds;
use ZippyTray\Core\Mail\Mime\TextDecoder;
use ZippyTray\Core\Mail\Text\SubjectLine;

final class HeadersTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function encodedWords(): iterable
    {
        yield 'plain' => ['Before the inspection', 'Before the inspection'];
        yield 'Q' => ['=?iso-8859-1?Q?Besuch_im_Fr=FChjahr?=', 'Besuch im Frühjahr'];
        yield 'B' => ['=?UTF-8?B?w4ljaGFuZ2U=?=', 'Échange'];
        yield 'space between words goes' => ['=?utf-8?q?a?= =?utf-8?q?b?=', 'ab'];
        yield 'folded, the space goes too' => ["=?utf-8?q?a?=\r\n =?utf-8?q?b?=", 'ab'];
        yield 'space to plain text stays' => ['Re: =?utf-8?q?a?= b', 'Re: a b'];
        yield 'a character cut in two' => ['=?utf-8?b?w4k=?= =?utf-8?q?=C3?= =?utf-8?q?=A9?=', 'Éé'];
        yield 'neighbours in different sets' => ['=?iso-8859-1?q?=E9?= =?utf-8?q?=C3=A9?=', 'éé'];
        yield 'with a language (RFC 2231, 5)' => ['=?us-ascii*en-us?Q?Keith_Moore?=', 'Keith Moore'];
        yield 'an unknown set loses nothing' => ['=?x-unheard-of?q?caf=E9?=', 'café'];
        yield 'ISO-2022-JP' => ['=?ISO-2022-JP?B?GyRCRURKVTh3M1gbKEI=?=', '田辺光学'];
        yield 'spaces inside, as some programs write' => ['=?utf-8?q?two words?=', 'two words'];
        yield 'bare UTF-8' => ['Frühjahr', 'Frühjahr'];
        yield 'bare latin bytes' => ["Fr\xFChjahr", 'Frühjahr'];
        yield 'not an encoded word' => ['=?utf-8?x?abc?=', '=?utf-8?x?abc?='];
        yield 'question mark inside' => ['=?utf-8?Q?really??=', 'really?'];
        yield 'line breaks cannot be smuggled in' => ['=?utf-8?q?a=0D=0ABcc:_x?=', 'a Bcc: x'];
        yield 'empty' => ['', ''];
    }

    #[DataProvider('encodedWords')]
    public function testEncodedWords(string $header, string $expected): void
    {
        self::assertSame($expected, (new HeaderDecoder(new TextDecoder()))->decode($header));
    }

    /** @return iterable<string, array{string, list<Address>}> */
    public static function addresses(): iterable
    {
        yield 'bare' => ['olga@roofs.example', [new Address('olga@roofs.example')]];
        yield 'name' => ['Olga Brandt <olga@roofs.example>', [new Address('olga@roofs.example', 'Olga Brandt')]];
        yield 'quoted, with a comma' => ['"Brandt, Olga" <olga@roofs.example>', [new Address('olga@roofs.example', 'Brandt, Olga')]];
        yield 'quoted, with a quote' => ['"The \\"Light\\"" <l@light.example>', [new Address('l@light.example', 'The "Light"')]];
        yield 'comment as the name' => ['olga@roofs.example (Olga Brandt)', [new Address('olga@roofs.example', 'Olga Brandt')]];
        yield 'encoded' => ['=?utf-8?q?Br=C3=A4ndt?= <b@roofs.example>', [new Address('b@roofs.example', 'Brändt')]];
        yield 'encoded within quotes' => ['"=?utf-8?q?Br=C3=A4ndt?=" <b@roofs.example>', [new Address('b@roofs.example', 'Brändt')]];
        yield 'several' => [
            'a@x.example, B <b@x.example>,c@x.example',
            [new Address('a@x.example'), new Address('b@x.example', 'B'), new Address('c@x.example')],
        ];
        yield 'a group' => [
            'Committee: ada@x.example, Petra <p@x.example>;, c@x.example',
            [new Address('ada@x.example'), new Address('p@x.example', 'Petra'), new Address('c@x.example')],
        ];
        yield 'an empty group' => ['undisclosed-recipients:;', []];
        yield 'semicolons, as some programs write' => [
            'a@x.example; b@x.example',
            [new Address('a@x.example'), new Address('b@x.example')],
        ];
        yield 'no address at all' => ['The Administrator', [new Address('', 'The Administrator')]];
        yield 'empty sender' => ['<>', []];
        yield 'mailto' => ['<mailto:a@x.example>', [new Address('a@x.example')]];
        yield 'unclosed quote' => ['"Olga <olga@roofs.example>', [new Address('olga@roofs.example', '"Olga')]];
        yield 'empty entries' => [', ,a@x.example,,', [new Address('a@x.example')]];
    }

    /** @param list<Address> $expected */
    #[DataProvider('addresses')]
    public function testAddresses(string $header, array $expected): void
    {
        self::assertEquals($expected, (new AddressParser(new HeaderDecoder(new TextDecoder())))->parse($header));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function parameters(): iterable
    {
        yield 'token' => ['text/plain; charset=utf-8', 'charset', 'utf-8'];
        yield 'quoted' => ['a/b; name="two words.pdf"', 'name', 'two words.pdf'];
        yield 'semicolon in quotes' => ['a/b; name="a;b.pdf"; x=1', 'name', 'a;b.pdf'];
        yield 'capitals' => ['a/b; NAME=x.pdf', 'name', 'x.pdf'];
        yield 'RFC 2231' => ["a; filename*=utf-8''f%C3%B6rm.pdf", 'filename', 'förm.pdf'];
        yield 'RFC 2231 in pieces' => ["a; filename*0*=iso-8859-1'de'f%F6; filename*1=rm; filename*2=.pdf", 'filename', 'förm.pdf'];
        yield 'RFC 2231 out of order' => ['a; filename*1=b; filename*0=a', 'filename', 'ab'];
        yield 'encoded word, against the rules' => ['a; filename="=?utf-8?q?f=C3=B6rm.pdf?="', 'filename', 'förm.pdf'];
        yield 'missing' => ['text/plain', 'charset', ''];
        yield 'a longer name does not count' => ['a; filename2=x', 'filename', ''];
    }

    #[DataProvider('parameters')]
    public function testParameters(string $header, string $name, string $expected): void
    {
        $text = new TextDecoder();
        self::assertSame($expected, (new HeaderParameters(new HeaderDecoder($text), $text))->get($header, $name));
    }

    public function testHeadersAreUnfoldedAndRepeatedOnesKept(): void
    {
        $headers = Headers::parse(
            "From x@y Tue Nov 24 10:00:00 2026\nReceived: one\r\nReceived: two\n\tmore\nno field here\nSubject : odd\nX-Empty:",
        );
        self::assertSame(['one', 'two more'], $headers->all('received'));
        self::assertSame('odd', $headers->get('SUBJECT'));
        self::assertTrue($headers->has('x-empty'));
        self::assertFalse($headers->has('from x@y tue nov 24 10'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function subjects(): iterable
    {
        yield 'reply' => ['Re: Lantern', 'Lantern'];
        yield 'many' => ['RE: Fwd: AW: WG: Lantern', 'Lantern'];
        yield 'counted' => ['Re[2]: Re (3): Lantern', 'Lantern'];
        yield 'no mark' => ['Report: Lantern', 'Report: Lantern'];
        yield 'a list stays' => ['Re: [Keepers] Paint', '[Keepers] Paint'];
        yield 'nothing but marks' => ['Re: ', ''];
        yield 'a word that begins alike' => ['Rent: due', 'Rent: due'];
    }

    #[DataProvider('subjects')]
    public function testSubjectsWithoutMarks(string $subject, string $expected): void
    {
        self::assertSame($expected, SubjectLine::cleaned($subject));
    }

    public function testMessageIds(): void
    {
        self::assertSame(['a@x', 'b@x'], MessageIds::in("<a@x>\r\n <b@x> (comment) <a@x>"));
        self::assertSame([], MessageIds::in('your message of Tuesday'));
        self::assertSame('a@x', MessageIds::own(' a@x '));
        self::assertSame('a@x', MessageIds::own('<a@ x>'));
        $many = implode('', array_map(static fn (int $i): string => "<{$i}@x>", range(1, 5000)));
        self::assertCount(200, MessageIds::in($many));
        self::assertSame('1@x', MessageIds::in($many)[0]);
        self::assertSame('5000@x', MessageIds::in($many)[199]);
    }
}
