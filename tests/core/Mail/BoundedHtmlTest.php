<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Mime\BoundedHtml;

final class BoundedHtmlTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function whole(): iterable
    {
        yield 'plain' => ['<p>One <b>two</b></p>', '<p>One <b>two</b></p>'];
        yield 'ends left out' => [$rows = str_repeat('<p>a<li>b<tr><td>c<br>', 200), $rows];
        yield 'a comment' => ['a<!-- <b> -->b', 'ab'];
        yield 'a comment without an end' => ['a<!-- <b> b', 'a'];
        yield 'signs' => ['1 < 2 <3 <- a', '1 &lt; 2 &lt;3 &lt;- a'];
        yield 'a picture in a tag' => ['<img src="data:image/png;base64,'.str_repeat('A=', 900_000).'">a', '<img src="data:,">a'];
        yield 'nothing' => ['', ''];
    }

    #[DataProvider('whole')]
    public function testWhatIsOrdinaryStays(string $html, string $expected): void
    {
        $bounded = BoundedHtml::of($html);
        self::assertSame([$expected, false], [$bounded->html, $bounded->isCut]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function cut(): iterable
    {
        $deep = BoundedHtml::DEPTH;
        yield 'too deep' => [
            str_repeat('<div>', $deep + 50).'a'.str_repeat('</div>', $deep + 50).'<i>b</i>',
            str_repeat('<div>', $deep).'a'.str_repeat('</div>', $deep).'<i>b</i>',
        ];
        yield 'too many' => [str_repeat('<br>', BoundedHtml::ELEMENTS + 5), str_repeat('<br>', BoundedHtml::ELEMENTS)];
        yield 'too long' => [str_repeat('é', BoundedHtml::LONGEST), str_repeat('é', intdiv(BoundedHtml::LONGEST, 2))];
        yield 'too many attributes' => [
            '<p '.implode(' ', array_map(static fn (int $n): string => "a{$n}=b", range(1, 500))).'>a</p>',
            '<p>a</p>',
        ];
        yield 'a tag that is too long' => ['<p title="'.str_repeat('x', 400_000).'">a</p>', '<p>a</p>'];
    }

    #[DataProvider('cut')]
    public function testWhatIsTooMuchIsCutAndSaysSo(string $html, string $expected): void
    {
        $bounded = BoundedHtml::of($html);
        self::assertSame([hash('xxh64', $expected), true], [hash('xxh64', $bounded->html), $bounded->isCut]);
    }
}
