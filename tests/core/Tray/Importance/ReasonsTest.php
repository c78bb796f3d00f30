<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Importance;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Tray\Importance\Importance;
use ZippyTray\Core\Tray\Importance\Reasons;
use ZippyTray\Core\Tray\Importance\Shown;
use ZippyTray\Core\Tray\Importance\Traits;

final class ReasonsTest extends TestCase
{
    /** @return iterable<string, array{list<Shown>, bool, string}> what was done, the last first; a list or a sender; the first reason */
    public static function habits(): iterable
    {
        $times = static fn (Shown $shown, int $times): array => array_fill(0, $times, $shown);
        yield 'answered' => [[Shown::Read, ...$times(Shown::Answered, 7)], false, 'You answered 7 of the last 8 from Olga within a day.'];
        yield 'a list that is deleted' => [$times(Shown::Dropped, 12), true, 'You deleted the last 12 of this list.'];
        yield 'no more than are looked at' => [[...$times(Shown::Dropped, 12), Shown::Read], true, 'You deleted the last 12 of this list.'];
        yield 'acted on' => [$times(Shown::Acted, 3), false, 'You acted on the last 3 from Olga.'];
        yield 'put off' => [[...$times(Shown::PutOff, 3), Shown::Read], false, 'You put off 3 of the last 4 from Olga.'];
        yield 'archived' => [$times(Shown::Read, 5), false, 'You archived the last 5 from Olga after a look.'];
        yield 'not even looked at' => [$times(Shown::Unread, 5), true, 'You archived the last 5 of this list without a look.'];
        yield 'too few' => [$times(Shown::Acted, 2), false, ''];
        yield 'this and that' => [[Shown::Read, Shown::Acted, Shown::Read, Shown::Acted], false, ''];
        yield 'nothing' => [[], false, ''];
    }

    /** @param list<Shown> $done */
    #[DataProvider('habits')]
    public function testWhatWasDoneWithTheLastOnesIsSaid(array $done, bool $list, string $reason): void
    {
        self::assertSame(
            '' === $reason ? [] : [$reason],
            Reasons::of(new Importance(), new Traits(['from olga@roofs.example']), 'Olga', $list, $done),
        );
    }

    /** @return iterable<string, array{string, int, string}> trait, for or against, sentence */
    public static function traits(): iterable
    {
        yield 'a word for it' => ['word roof', 1, 'You act on what is about "roof".'];
        yield 'a word against it' => ['word sale', -1, 'You seldom act on what is about "sale".'];
        yield 'a domain' => ['domain roofs.example', 1, 'Mail from roofs.example matters to you.'];
        yield 'a domain against it' => ['domain shop.example', -1, 'Mail from shop.example seldom matters to you.'];
        yield 'a kind' => ['kind notice', 1, 'You act on notices.'];
        yield 'a kind with what it asks' => ['kind discussion tells', -1, 'You seldom act on discussions.'];
        yield 'what is suspicious' => ['kind suspicious', -1, 'It looks suspicious.'];
        yield 'a sender' => ['from olga@roofs.example asks', 1, 'What comes from there matters to you.'];
        yield 'a list' => ['list roofs.lists.example', -1, 'What comes from there seldom matters to you.'];
        yield 'asked' => ['asks', 1, 'It asks you for something.'];
        yield 'perhaps asked' => ['may ask', 1, 'It may ask you for something.'];
        yield 'alone' => ['alone', 1, 'It is written to you alone.'];
        yield 'among others' => ['among others', -1, 'It is written to others, too.'];
        yield 'copied' => ['copied', -1, 'You are only copied.'];
        yield 'known' => ['known', 1, 'You have written to them before.'];
        yield 'dated' => ['dated asks', 1, 'It names a date.'];
        yield 'something attached' => ['attached', 1, 'Something is attached.'];
        yield 'what says nothing' => ['attached', -1, ''];
    }

    #[DataProvider('traits')]
    public function testWhatWeighsIsSaid(string $trait, int $for, string $sentence): void
    {
        self::assertSame(
            '' === $sentence ? [] : [$sentence],
            Reasons::of(new Importance([$trait => [2.0 * $for, 9]]), new Traits([$trait]), 'Olga', false, []),
        );
    }

    public function testWhatThePersonDoesIsSaidOnlyWhenTheyHaveDoneIt(): void
    {
        $traits = new Traits(['kind newsletter', 'word roof', 'copied']);
        $said = static fn (Importance $importance): array => Reasons::of($importance, $traits, 'Olga', false, []);
        self::assertSame(['You are only copied.'], $said(new Importance()));
        self::assertSame(['You are only copied.'], $said(new Importance(['word roof' => [2.0, 2]])));
        self::assertSame(
            ['You act on what is about "roof".', 'You are only copied.'],
            $said(new Importance(['word roof' => [2.0, 3]])),
        );
    }

    public function testWhatTheySaidThemselvesIsNamed(): void
    {
        $traits = new Traits(['from olga@roofs.example', 'kind newsletter']);
        $said = static fn (int $of): array => Reasons::of(
            new Importance(corrections: ['from olga@roofs.example' => $of]),
            $traits,
            'Olga',
            false,
            [],
        );
        self::assertSame(
            [['You said that this matters more.'], ['You said that this matters less.'], []],
            [$said(1), $said(-1), $said(0)],
        );
    }

    public function testThreeReasonsAreEnoughAndTheWeightiestStandFirst(): void
    {
        $importance = new Importance(['word roof' => [3.0, 9], 'word key' => [-2.0, 9], 'dated' => [1.0, 9], 'alone' => [0.9, 9]]);
        $traits = new Traits(['alone', 'dated', 'word key', 'word roof', 'from olga@roofs.example']);
        $reasons = Reasons::of($importance, $traits, 'Olga', false, array_fill(0, 4, Shown::Answered));
        self::assertSame([
            'You answered the last 4 from Olga within a day.',
            'You act on what is about "roof".',
            'You seldom act on what is about "key".',
        ], $reasons);
    }
}
