<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Mime\FlowedText;
use ZippyTray\Core\Mail\Mime\HtmlText;
use ZippyTray\Core\Mail\Mime\TextDecoder;

final class TextTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> bytes, declared set, expected */
    public static function charsets(): iterable
    {
        yield 'utf-8' => ['Grüße', 'UTF-8', 'Grüße'];
        yield 'none declared, UTF-8' => ['Grüße', '', 'Grüße'];
        yield 'none declared, latin' => ["Gr\xFC\xDFe", '', 'Grüße'];
        yield 'ASCII declared, UTF-8 sent' => ['Grüße', 'us-ascii', 'Grüße'];
        yield 'latin 1' => ["Gr\xFC\xDFe", 'iso-8859-1', 'Grüße'];
        yield 'latin 1 declared, Windows sent' => ["\x93Gr\xFC\xDFe\x94 \x80", 'ISO-8859-1', '“Grüße” €'];
        yield 'UTF-8 declared, latin sent' => ["Gr\xFC\xDFe, Grüße", 'utf-8', 'Grüße, Grüße'];
        yield 'koi8-r' => [(string) iconv('UTF-8', 'KOI8-R', 'Вопрос'), 'koi8-r', 'Вопрос'];
        yield 'windows-1251' => [(string) iconv('UTF-8', 'CP1251', 'Вопрос'), 'windows-1251', 'Вопрос'];
        yield 'iso-2022-jp' => [(string) iconv('UTF-8', 'ISO-2022-JP', '田辺光学'), 'ISO-2022-JP', '田辺光学'];
        yield 'shift_jis' => [(string) iconv('UTF-8', 'CP932', '田辺①'), 'Shift_JIS', '田辺①'];
        yield 'euc-kr with more' => [(string) iconv('UTF-8', 'CP949', '등대 뷁'), 'ks_c_5601-1987', '등대 뷁'];
        yield 'gb2312 with more' => [(string) iconv('UTF-8', 'GB18030', '灯塔镕'), 'gb2312', '灯塔镕'];
        yield 'big5' => [(string) iconv('UTF-8', 'BIG5', '燈塔'), 'big5', '燈塔'];
        yield 'utf-7' => ['Gr+APwA3w-e', 'utf-7', 'Grüße'];
        yield 'utf-16' => [(string) iconv('UTF-8', 'UTF-16BE', 'Grüße'), 'utf-16be', 'Grüße'];
        yield 'quoted name' => ["Gr\xFC\xDFe", '"windows-1252"', 'Grüße'];
        yield 'only intl knows it' => [(string) \UConverter::transcode('Grüße', 'ibm-37', 'UTF-8'), 'ibm-37', 'Grüße'];
    }

    #[DataProvider('charsets')]
    public function testCharacterSets(string $bytes, string $charset, string $expected): void
    {
        self::assertSame($expected, (new TextDecoder())->decode($bytes, $charset));
    }

    public function testOfAnUnknownSetEveryByteStaysRecognisable(): void
    {
        $seen = [];
        for ($byte = 0x80; $byte <= 0xFF; ++$byte) {
            $seen[] = (new TextDecoder())->decode(\chr($byte), 'x-nobody-knows');
        }
        self::assertCount(128, array_unique($seen));
        self::assertTrue(mb_check_encoding(implode('', $seen), 'UTF-8'));
    }

    public function testBytesThatAreWrongInTheirSetAreMarkedAndTheRestIsRead(): void
    {
        $text = (new TextDecoder())->decode((string) iconv('UTF-8', 'CP932', '田辺')."\xFF".'!', 'shift_jis');
        self::assertStringStartsWith('田辺', $text);
        self::assertTrue(mb_check_encoding($text, 'UTF-8'));
    }

    public function testWhateverComesOutIsUtf8(): void
    {
        mt_srand(11);
        $sets = [
            'utf-8',
            '',
            'us-ascii',
            'iso-8859-1',
            'iso-2022-jp',
            'gb18030',
            'koi8-r',
            'utf-16',
            'nonsense',
            'euc-jp',
            'utf-7',
            'hz-gb-2312',
        ];
        for ($i = 0; $i < 600; ++$i) {
            $bytes = '';
            for ($j = mt_rand(0, 40); $j > 0; --$j) {
                $bytes .= \chr(mt_rand(0, 255));
            }
            $text = (new TextDecoder())->decode($bytes, $sets[$i % \count($sets)]);
            self::assertTrue(mb_check_encoding($text, 'UTF-8'), bin2hex($bytes).' as '.$sets[$i % \count($sets)]);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function html(): iterable
    {
        yield 'paragraphs' => ['<p>One</p><p>Two<br>lines</p>', "One\n\nTwo\nlines"];
        yield 'white space' => ["<p>\n  One   two\n</p>\n", 'One two'];
        yield 'divs of a web mailer' => ['<div>Hello,</div><div><br></div><div>is it open?</div>', "Hello,\n\nis it open?"];
        yield 'unordered list' => ['<ul><li>one</li><li>two</li></ul>', "- one\n- two"];
        yield 'ordered list' => ['<ol start="3"><li>one</li><li>two</li></ol>', "3. one\n4. two"];
        yield 'quote' => ['<p>Yes.</p><blockquote><p>Can you?</p><p>Ada</p></blockquote>', "Yes.\n\n> Can you?\n>\n> Ada"];
        yield 'link' => ['See <a href="https://light.example/x">the plan</a>.', 'See the plan <https://light.example/x>.'];
        yield 'link that is shown' => ['<a href="https://light.example/">light.example</a>', 'light.example'];
        yield 'address link' => ['<a href="mailto:a@light.example">a@light.example</a>', 'a@light.example'];
        yield 'picture' => ['<img src="cid:1" alt="The joint"> here', '[The joint] here'];
        yield 'table' => [
            '<table><tr><td>08:15</td><td>08:50</td></tr><tr><td>10:15</td><td>10:50</td></tr></table>',
            "08:15  08:50\n10:15  10:50",
        ];
        yield 'nothing of scripts and styles' => ['<head><title>t</title><style>p{}</style></head><script>x()</script><p>One</p>', 'One'];
        yield 'nothing that is hidden' => ['<div style="display:none">preview</div><p>One</p>', 'One'];
        yield 'preformatted' => ["<pre>a\n  b</pre>", "a\n  b"];
        yield 'entities' => ['<p>1 &lt; 2 &amp; &eacute;&nbsp;!</p>', "1 < 2 & é\u{a0}!"];
        yield 'beyond ASCII' => ['<p>Grüße 田</p>', 'Grüße 田'];
        yield 'unclosed' => ['<p>One<p>Two<b>bold', "One\n\nTwobold"];
        yield 'a blank at the beginning of a part of a line' => [
            '<p><b>From:</b><span> Wren Halloran</span><br><b>Sent:</b> <span> Monday</span></p>',
            "From: Wren Halloran\nSent: Monday",
        ];
        yield 'blanks of both sides are one' => ['<div><span>One </span><span> two</span> <i> three </i>.</div>', 'One two three .'];
        yield 'no blank before a line' => ['<div><span> One</span></div><div> <b> two</b></div>', "One\ntwo"];
        yield 'a head that is quoted' => [
            '<div>Thanks.</div><hr><div><b>From:</b><span> Wren &lt;wren@light.example&gt;</span></div><div><b>Subject:</b><span> '
                .'Glass</span></div>',
            "Thanks.\n\n----\n\nFrom: Wren <wren@light.example>\nSubject: Glass",
        ];
        yield 'ends that share bytes with a hard space' => ['<p>&nbsp;© voilà&nbsp;</p>', '© voilà'];
        yield 'no markup' => ['just text', 'just text'];
        yield 'empty' => ['', ''];
    }

    #[DataProvider('html')]
    public function testHtmlBecomesReadableText(string $html, string $expected): void
    {
        $lines = array_map(rtrim(...), explode("\n", (new HtmlText())->of($html)));
        self::assertSame($expected, implode("\n", $lines));
    }

    public function testVeryDeepHtmlIsReadToItsEnd(): void
    {
        $html = str_repeat('<div>', 3000).'deep'.str_repeat('</div>', 3000).'<p>after</p>';
        self::assertSame("deep\n\nafter", (new HtmlText())->of($html));
    }

    /** @return iterable<string, array{string, bool, string}> */
    public static function flowed(): iterable
    {
        yield 'soft break' => ["one \ntwo", false, 'one two'];
        yield 'hard break' => ["one\ntwo", false, "one\ntwo"];
        yield 'quotes keep their depth' => ["> one \n> two\n>> three", false, "> one two\n>> three"];
        yield 'a change of depth is hard' => ["> one \ntwo", false, "> one \ntwo"];
        yield 'stuffed' => [' >not a quote', false, '>not a quote'];
        yield 'signature' => ["one \n-- \nOlga", false, "one \n-- \nOlga"];
        yield 'DelSp' => ["hel \nlo", true, 'hello'];
    }

    #[DataProvider('flowed')]
    public function testFlowedText(string $text, bool $delSp, string $expected): void
    {
        self::assertSame($expected, FlowedText::unflow($text, $delSp));
    }
}
