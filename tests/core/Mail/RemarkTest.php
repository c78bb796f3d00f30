<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Remark\Characters;
use ZippyTray\Core\Mail\Remark\Hosts;
use ZippyTray\Core\Mail\Remark\Remark;
use ZippyTray\Core\Mail\Remark\RemarkKind;

final class RemarkTest extends TestCase
{
    /** @return iterable<string, array{string, string}> address, host */
    public static function addresses(): iterable
    {
        yield 'plain' => ['https://Roofs.Example/plan', 'roofs.example'];
        yield 'with a port' => ['http://roofs.example:8080/', 'roofs.example'];
        yield 'with a user that looks like a host' => ['https://bank.example@evil.example/', 'evil.example'];
        yield 'with a user and a password' => ['https://bank.example:x@evil.example/', 'evil.example'];
        yield 'behind a question mark' => ['https://evil.example?bank.example/', 'evil.example'];
        yield 'behind a sign' => ['https://evil.example#@bank.example/', 'evil.example'];
        yield 'the other slash' => ['https:\\\\evil.example\\bank.example', 'evil.example'];
        yield 'too few slashes' => ['https:evil.example', 'evil.example'];
        yield 'tabs within' => ["ht\ttps://evil\n.example/", 'evil.example'];
        yield 'percent' => ['https://evil%2eexample/', 'evil.example'];
        yield 'a full stop at the end' => ['https://evil.example./', 'evil.example'];
        yield 'a number' => ['http://192.0.2.7/x', '192.0.2.7'];
        yield 'mail' => ['mailto:tam@Glass.example?subject=x', 'glass.example'];
        yield 'none' => ['/plan', ''];
        yield 'a script' => ['javascript:alert(1)', ''];
    }

    #[DataProvider('addresses')]
    public function testTheHostThatAnAddressLeadsTo(string $address, string $host): void
    {
        self::assertSame($host, Hosts::of($address));
    }

    /** @return iterable<array{string, string}> text, host */
    public static function texts(): iterable
    {
        yield ['bank.example', 'bank.example'];
        yield ['https://www.bank.example/sign-in?x=y', 'bank.example'];
        yield ['Go to bank.example now', 'bank.example'];
        yield ['(bank.example)', 'bank.example'];
        yield ['ada@bank.example', 'bank.example'];
        yield ['банк.example', 'банк.example'];
        yield ['leaflet.pdf', ''];
        yield ['https://pages.zip/', 'pages.zip'];
        yield ['the plan', ''];
        yield ['e.g. this', ''];
        yield ['No. 3', ''];
        yield ['version 2.1', ''];
        yield ['', ''];
    }

    #[DataProvider('texts')]
    public function testTheHostThatATextNames(string $text, string $host): void
    {
        self::assertSame($host, (string) preg_replace('/^www\./', '', Hosts::named($text)));
    }

    public function testHostsThatBelongTogether(): void
    {
        foreach ([
            ['bank.example', 'bank.example'],
            ['bank.example', 'www.bank.example'],
            ['mail.bank.example', 'shop.bank.example'],
            ['a.bank.co.uk', 'b.bank.co.uk'],
            ['bücher.example', 'xn--bcher-kva.example'],
        ] as [$one, $other]) {
            self::assertTrue(Hosts::areRelated($one, $other), $one.' '.$other);
        }
        foreach ([
            ['bank.example', 'bank.example.evil.example'],
            ['bank.example', 'evilbank.example'],
            ['bank.co.uk', 'evil.co.uk'],
            ['bank.example', 'bank.test'],
        ] as [$one, $other]) {
            self::assertFalse(Hosts::areRelated($one, $other), $one.' '.$other);
        }
    }

    public function testLettersThatAreTakenForOthers(): void
    {
        foreach (['pаypal', 'Οlga', 'gооgle', 'Ada Bоrn'] as $text) {
            self::assertTrue(Characters::areMixed($text), $text);
        }
        foreach (['Olga', 'Ольга', 'Όλγα', 'Ada Ольга', 'Müller', 'ひらがな漢字', 'Αθήνα Athens', 'naïve'] as $text) {
            self::assertFalse(Characters::areMixed($text), $text);
        }
        foreach (['аррӏе.example', 'xn--80ak6aa92e.example', 'bank.xn--80ak6aa92e'] as $host) {
            self::assertTrue(Hosts::isDeceptive($host), $host);
        }
        foreach (['apple.example', 'почта.example', 'müller.example', '3m.example', 'ελλάδα.example'] as $host) {
            self::assertFalse(Hosts::isDeceptive($host), $host);
        }
    }

    /** @return iterable<string, array{string, string, list<RemarkKind>}> header, HTML, what is remarked */
    public static function letters(): iterable
    {
        yield 'nothing' => [
            'From: Tam <tam@glass.example>',
            '<a href="https://glass.example/x">glass.example</a> <a href="https://glass.example">here</a>',
            [],
        ];
        yield 'a link' => [
            'From: Tam <tam@glass.example>',
            '<p><a class=x href="https://evil.example/'.str_repeat('a', 400).'"><b>https://bank</b>.example/</a>',
            [RemarkKind::Link],
        ];
        yield 'a link without quotes' => [
            'From: Tam <tam@glass.example>',
            '<A HREF=https://evil.example>bank.example</A>',
            [RemarkKind::Link],
        ];
        yield 'a link with entities' => [
            'From: Tam <tam@glass.example>',
            '<a href="https:&#47;&#47;evil.example">b&#97;nk.example</a>',
            [RemarkKind::Link],
        ];
        yield 'a link over lines' => [
            'From: Tam <tam@glass.example>',
            "<a\nhref='https://evil.example'>\nbank.example\n</a>",
            [RemarkKind::Link],
        ];
        yield 'a link with hidden letters' => [
            'From: Tam <tam@glass.example>',
            "<a href='https://evil.example'>ba\u{200b}nk.example</a>",
            [RemarkKind::Link],
        ];
        yield 'mail to somebody else' => [
            'From: Tam <tam@glass.example>',
            '<a href="mailto:x@evil.example">tam@glass.example</a>',
            [RemarkKind::Link],
        ];
        yield 'a link with other letters' => [
            'From: Tam <tam@glass.example>',
            '<a href="https://аррӏе.example">here</a>',
            [RemarkKind::MixedLink],
        ];
        yield 'twice the same' => [
            'From: Tam <tam@glass.example>',
            str_repeat('<a href="https://evil.example/">bank.example</a>', 5),
            [RemarkKind::Link],
        ];
        yield 'another address' => ['From: "ada@bank.example" <x@evil.example>', '', [RemarkKind::OtherAddress]];
        yield 'its own address' => ['From: "tam@glass.example" <tam@glass.example>', '', []];
        yield 'a turned name' => ["From: \"\u{202e}adA\" <x@evil.example>", '', [RemarkKind::TurnedName]];
        yield 'a mixed name' => ['From: Bаnk <x@evil.example>', '', [RemarkKind::MixedName]];
        yield 'a mixed host' => ['From: Tam <x@bаnk.example>', '', [RemarkKind::MixedHost]];
        yield 'a turned subject' => ["From: Tam <tam@glass.example>\r\nSubject: a\u{202e}b", '', [RemarkKind::TurnedSubject]];
    }

    /** @param list<RemarkKind> $kinds */
    #[DataProvider('letters')]
    public function testDeceitIsNamed(string $header, string $html, array $kinds): void
    {
        foreach ([
            "{$header}\r\nContent-Type: text/html; charset=utf-8\r\n\r\n{$html}",
            "{$header}\r\nContent-Type: multipart/alternative; boundary=b\r\n\r\n--b\r\n\r\nHarmless.\r\n--b\r\n"
                ."Content-Type: text/html; charset=utf-8\r\n\r\n{$html}\r\n--b--",
        ] as $raw) {
            $content = $this->read($raw);
            self::assertSame($kinds, array_map(static fn (Remark $remark): RemarkKind => $remark->kind, $content->remarks));
            foreach ($content->remarks as $remark) {
                self::assertEquals($remark, Remark::fromState($remark->state()));
                self::assertTrue($remark->kind->isDeceit());
                self::assertFalse(Characters::turn($remark->sentence()));
            }
            self::assertFalse(Characters::turn($content->subject.$content->from->name));
        }
    }

    public function testNamesOfFiles(): void
    {
        foreach ([
            'plan.pdf.exe' => [RemarkKind::DoubleEnding],
            'plan.pdf   .scr' => [RemarkKind::DoubleEnding],
            "plan\u{202e}fdp.exe" => [RemarkKind::TurnedFile],
            'plan.v2.pdf' => [],
            'setup.exe' => [],
            'photo.jpg.zip' => [],
        ] as $name => $kinds) {
            $content = $this->read(
                "From: a@b.example\r\nContent-Type: application/octet-stream\r\n"
                    ."Content-Disposition: attachment; filename*=utf-8''".rawurlencode($name)."\r\n\r\nx",
            );
            self::assertSame($kinds, array_map(static fn (Remark $remark): RemarkKind => $remark->kind, $content->remarks), $name);
            self::assertFalse(Characters::turn($content->attachments[0]->attachment->name));
        }
    }

    public function testLongNamesAndSubjectsAreCut(): void
    {
        $content = $this->read(
            'From: a@b.example'."\r\nSubject: ".str_repeat('ü', 20_000)."\r\nContent-Disposition: attachment; "
                .'filename="'.str_repeat('a', 5000).".pdf\"\r\n\r\nx",
        );
        self::assertSame(500, mb_strlen($content->subject));
        self::assertSame(200, mb_strlen($content->attachments[0]->attachment->name));
        self::assertStringEndsWith('….pdf', $content->attachments[0]->attachment->name);
    }

    private function read(string $raw): MessageContent
    {
        return (new MessageReader())->read($raw, new \DateTimeImmutable('2026-11-24T10:00:00Z'));
    }
}
