<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Mail;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Text\Passage;

final class PassageTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>, string}> text, words, what is shown, with [ ] as marks */
    public static function places(): iterable
    {
        yield 'the beginning of a word' => ['The brass rail is loose.', ['bras'], 'The [brass] rail is loose.'];
        yield 'not within a word' => ['Embrasure and brass', ['bras'], 'Embrasure and [brass]'];
        yield 'all of them' => ['Brass and iron, iron and brass', ['brass', 'iron'], '[Brass] and [iron], [iron] and [brass]'];
        yield 'accents and case, either way' => ['Besuch im FRÜHJAHR', ['fruhj', 'besüch'], '[Besuch] im [FRÜHJAHR]'];
        yield 'letters that are written apart' => ["Fru\u{308}hjahr", ['früh'], '[Frühjahr]'];
        yield 'other scripts' => ['Маяк открыт, 灯台', ['маяк', '灯'], '[Маяк] открыт, [灯]台'];
        yield 'inside words without blanks' => ['明日の会議室の予約', ['議室'], '明日の会[議室]の予約'];
        yield 'digits' => ['In 2031, room 20', ['20'], 'In [2031], room [20]'];
        yield 'none' => ['Nothing of it', ['brass'], ''];
        yield 'no words' => ['Nothing of it', [], ''];
        yield 'marks alone are no word' => ['Nothing', ["\u{301}"], ''];
        yield 'lines are joined' => ["One\r\n\r\n  two\tbrass\n", ['brass'], 'One two [brass]'];
        yield 'signs that mean something elsewhere' => ['a.c (b)', ['c', 'b'], 'a.[c] ([b])'];
        yield 'broken bytes' => ["\xff\xfe brass \xc3", ['brass'], '?? [brass] ?'];
        yield 'far in' => [
            str_repeat('word ', 500).'brass '.str_repeat('then ', 500),
            ['brass'],
            '…'.str_repeat('word ', 8).'[brass]'.str_repeat(' then', 20).'…',
        ];
        yield 'at the end' => [str_repeat('word ', 500).'brass', ['brass'], '…'.str_repeat('word ', 8).'[brass]'];
    }

    /** @param list<string> $words */
    #[DataProvider('places')]
    public function testThePlaceThatMatchedIsShown(string $text, array $words, string $expected): void
    {
        self::assertSame($expected, strtr(Passage::in($text, $words), [Passage::FROM => '[', Passage::TO => ']']));
    }

    public function testWhateverTheTextItIsShortWholeAndOfIt(): void
    {
        mt_srand(5);
        $parts = [
            'brass',
            'Bräss',
            'é',
            "e\u{301}",
            ' ',
            "\n",
            '灯台',
            str_repeat('x', 400),
            '.',
            '𝒜',
            "\xff",
            'word ',
            str_repeat("a\u{301}\u{302}", 40),
        ];
        for ($round = 0; $round < 400; ++$round) {
            $text = '';
            for ($n = mt_rand(1, 60); $n > 0; --$n) {
                $text .= $parts[mt_rand(0, \count($parts) - 1)];
            }
            $shown = Passage::in($text, ['brass', 'word']);
            self::assertTrue(mb_check_encoding($shown, 'UTF-8'));
            self::assertLessThan(400, mb_strlen($shown));
            self::assertSame(substr_count($shown, Passage::FROM), substr_count($shown, Passage::TO));
            preg_match_all('/\x02([^\x03]*)\x03/', $shown, $found);
            foreach ($found[1] as $word) {
                self::assertMatchesRegularExpression('/^(brass|bräss|word)/iu', $word);
            }
        }
    }
}
