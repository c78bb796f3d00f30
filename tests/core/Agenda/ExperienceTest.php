<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\Experience;
use ZippyTray\Core\Agenda\Lasted;
use ZippyTray\Core\Task\ListId;

final class ExperienceTest extends TestCase
{
    /** @return iterable<string, array{list<Lasted>, string, string, float|null, string}> what is known, title, list, ratio, in words */
    public static function tasks(): iterable
    {
        $many = static fn (int $times, string $title, string $list, int $estimated, int $took): array => array_fill(
            0,
            $times,
            new Lasted($title, new ListId($list), $estimated, $took),
        );
        $write = $many(10, 'Write the report', 'office', 60, 84);
        yield 'nothing' => [[], 'Write the report', 'office', null, ''];
        yield 'nine are too few' => [$many(9, 'Write the report', 'office', 60, 84), 'Write the report', 'office', null, ''];
        yield 'ten of a kind' => [$write, 'Write to Petra', 'office', 1.4, 'usually 1.4 times that'];
        yield 'the same word elsewhere' => [$write, 'write a poem', 'home', 1.4, 'usually 1.4 times that'];
        yield 'the same list' => [$write, 'Call Petra', 'office', 1.4, 'usually 1.4 times that'];
        yield 'anything' => [$write, 'Call Petra', 'home', 1.4, 'usually 1.4 times that'];
        yield 'the narrowest kind counts' => [
            [...$write, ...$many(10, 'Call somebody', 'office', 20, 10)],
            'Call Petra',
            'office',
            0.5,
            'usually 0.5 times that',
        ];
        yield 'right enough' => [$many(10, 'Write', 'office', 60, 64), 'Write', 'office', 1.07, ''];
        yield 'one that went wrong changes little' => [
            [...$many(1, 'Write', 'office', 10, 600), ...$many(10, 'Write', 'office', 60, 84)],
            'Write',
            'office',
            1.4,
            'usually 1.4 times that',
        ];
        yield 'the newest count' => [
            [...$many(40, 'Write', 'office', 60, 60), ...$many(400, 'Write', 'office', 60, 240)],
            'Write',
            'office',
            1.0,
            '',
        ];
        yield 'absurd ones' => [$many(10, 'Write', 'office', 1, 6000), 'Write', 'office', 5.0, 'usually 5 times that'];
        yield 'what says nothing' => [$many(10, 'Write', 'office', 0, 60), 'Write', 'office', null, ''];
    }

    /** @param list<Lasted> $lasted */
    #[DataProvider('tasks')]
    public function testWhatAnEstimateIsWorth(array $lasted, string $title, string $list, ?float $ratio, string $text): void
    {
        $experience = new Experience($lasted);
        self::assertSame([$ratio, $text], [
            $experience->ratio($title, new ListId($list)),
            $experience->text($title, new ListId($list)),
        ]);
        self::assertSame((int) round(100 * ($ratio ?? 1)), $experience->minutes($title, new ListId($list), 100));
    }

    /** Whoever takes so many times as long, more or less, is found out after ten. */
    public function testItIsNearWhatSomebodyTakes(): void
    {
        mt_srand(4);
        foreach ([0.6, 1.0, 1.5, 2.5] as $true) {
            $lasted = [];
            for ($number = 0; $number < 30; ++$number) {
                $estimated = mt_rand(10, 120);
                // Between two thirds and one and a half of what it usually is.
                $took = (int) round($estimated * $true * 1.5 ** (mt_rand(-100, 100) / 100));
                $lasted[] = new Lasted('Write', new ListId('office'), $estimated, $took);
            }
            $found = (new Experience($lasted))->ratio('Write', new ListId('office'));
            self::assertEqualsWithDelta($true, $found ?? 0, 0.25 * $true, (string) $true);
        }
    }
}
