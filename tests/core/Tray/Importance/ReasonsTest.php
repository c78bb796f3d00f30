<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Importance;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Importance\Importance;
use ZippyTray\Core\Tray\Importance\Reasons;
use ZippyTray\Core\Tray\Importance\Shown;
use ZippyTray\Core\Tray\Importance\Traits;

final class ReasonsTest extends TestCase
{
    public function testWhatWasDoneWithTheLastOnesStandsFirst(): void
    {
        $habit = Habit::of('Olga', false, array_fill(0, 3, [AdvisedDecision::Task, Shown::Acted]));
        self::assertSame(
            ['You made tasks of the last 3 from Olga.', 'It asks you for something.'],
            Reasons::of(new Importance(), new Traits(['from olga@roofs.example', 'asks']), $habit),
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
            Reasons::of(new Importance([$trait => [2.0 * $for, 9]]), new Traits([$trait]), Habit::none()),
        );
    }

    public function testWhatThePersonDoesIsSaidOnlyWhenTheyHaveDoneIt(): void
    {
        $traits = new Traits(['kind newsletter', 'word roof', 'copied']);
        $said = static fn (Importance $importance): array => Reasons::of($importance, $traits, Habit::none());
        $before = ['It went out to many people.', 'You are only copied.'];
        self::assertSame($before, $said(new Importance()));
        self::assertSame($before, $said(new Importance(['word roof' => [2.0, 2]])));
        self::assertSame(
            [...$before, 'You act on what is about "roof".'],
            $said(new Importance(['word roof' => [2.0, 3]])),
        );
    }

    public function testWhatTheySaidThemselvesIsNamed(): void
    {
        $traits = new Traits(['from olga@roofs.example', 'kind newsletter']);
        $said = static fn (int $of): array => Reasons::of(
            new Importance(corrections: ['from olga@roofs.example' => $of]),
            $traits,
            Habit::none(),
        );
        self::assertSame(
            [
                ['You said that this matters more.', 'It went out to many people.'],
                ['You said that this matters less.', 'It went out to many people.'],
                ['It went out to many people.'],
            ],
            [$said(1), $said(-1), $said(0)],
        );
    }

    public function testWhatSpeaksAgainstWhatIsBelievedStandsBehind(): void
    {
        $importance = new Importance(['asks' => [6.0, 9], 'from olga@roofs.example' => [-1.0, 9]]);
        $traits = new Traits(['asks', 'from olga@roofs.example']);
        $archived = Habit::of('Olga', false, array_fill(0, 4, [AdvisedDecision::Archive, Shown::Unread]));
        self::assertSame(
            ['It asks you for something.', 'You archived the last 4 from Olga without a look.'],
            Reasons::of($importance, $traits, $archived),
        );
    }

    public function testWhatTheySaidStandsFirstWhateverIsBelieved(): void
    {
        $importance = new Importance(['from olga@roofs.example' => [6.0, 9]], ['from olga@roofs.example' => -1]);
        $done = Habit::of('Olga', false, array_fill(0, 4, [AdvisedDecision::Now, Shown::Acted]));
        self::assertSame(
            ['You said that this matters less.', 'You did at once the last 4 from Olga.', 'It asks you for something.'],
            Reasons::of($importance, new Traits(['from olga@roofs.example', 'asks']), $done),
        );
    }

    public function testThreeReasonsAreEnoughAndTheWeightiestStandFirst(): void
    {
        $importance = new Importance(['word roof' => [3.0, 9], 'word key' => [-2.0, 9], 'dated' => [1.0, 9], 'alone' => [0.9, 9]]);
        $traits = new Traits(['alone', 'dated', 'word key', 'word roof', 'from olga@roofs.example']);
        $reasons = Reasons::of($importance, $traits, Habit::of('Olga', false, array_fill(0, 4, [AdvisedDecision::Now, Shown::Answered])));
        self::assertSame([
            'You answered the last 4 from Olga within a day.',
            'You act on what is about "roof".',
            'It names a date.',
        ], $reasons);
    }
}
