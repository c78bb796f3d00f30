<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Importance;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Importance\Correction;
use ZippyTray\Core\Tray\Importance\CorrectionAbout;
use ZippyTray\Core\Tray\Importance\Learned;
use ZippyTray\Core\Tray\Importance\Traits;
use ZippyTray\Tests\Core\World\World;

final class CorrectTest extends TestCase
{
    private const OLGA = 'from olga@roofs.example';

    /** @return iterable<string, array{list<array{int|null, AdvisedDecision|null}>, int, AdvisedDecision|null}> what is said, what counts */
    public static function words(): iterable
    {
        $task = AdvisedDecision::Task;
        yield 'it matters more' => [[[1, null]], 1, null];
        yield 'the later word counts' => [[[1, null], [-1, null]], -1, null];
        yield 'advice beside it' => [[[1, null], [null, $task]], 1, $task];
        yield 'other advice' => [[[null, $task], [null, AdvisedDecision::Delete]], 0, AdvisedDecision::Delete];
        yield 'further than it goes' => [[[5, null]], 1, null];
    }

    /** @param list<array{int|null, AdvisedDecision|null}> $words */
    #[DataProvider('words')]
    public function testWhatTheySaidCountsOnceAndIsUndone(array $words, int $matters, ?AdvisedDecision $should): void
    {
        $world = new World();
        $states = [];
        $entries = [];
        foreach ($words as [$more, $advice]) {
            $states[] = $world->state();
            $entries[] = self::say($world, $more, $advice);
        }
        $correction = self::only($world);
        self::assertSame([$matters, $should, 'Olga'], [$correction->matters(), $correction->should(), $correction->name]);
        $after = $world->state();
        $undoings = [];
        foreach (array_reverse($entries, true) as $number => $entry) {
            $undoings[] = $world->undo($entry);
            self::assertSame($states[$number], $world->state());
        }
        foreach (array_reverse($undoings) as $undoing) {
            $world->undo($undoing);
        }
        self::assertSame($after, $world->state());
    }

    public function testWhoSaysNothingIsAsked(): void
    {
        $this->expectExceptionObject(new Refused('What should be different?', 'matters'));
        self::say(new World(), null, null);
    }

    public function testItIsTakenBackAndThatIsUndone(): void
    {
        $world = new World();
        self::say($world, -1, AdvisedDecision::Archive);
        $before = $world->state();
        $id = self::only($world)->id;
        $entry = $world->correct->takeBack(World::account(), new EntryId($world->ids->next()), $id);
        self::assertSame([], $world->memory->corrections);
        self::assertSame('Olga', $entry->about);
        $world->undo($entry);
        self::assertSame($before, $world->state());
        $this->expectException(NotFound::class);
        $world->correct->takeBack(World::account(), new EntryId($world->ids->next()), 'another');
    }

    public function testItCountsForWhateverHasTheTrait(): void
    {
        $world = new World();
        self::say($world, 1, AdvisedDecision::Task);
        [$said, $plain] = [new Learned([], 0, [self::only($world)]), new Learned()];
        $mail = static fn (string $from): Traits => new Traits([$from, 'kind personal', 'tells', 'alone']);
        self::assertGreaterThan($plain->importance->of($mail(self::OLGA)) + 0.3, $said->importance->of($mail(self::OLGA)));
        self::assertSame(AdvisedDecision::Task, $said->leanings->likely($mail(self::OLGA))?->decision);
        $other = $mail('from tam@glass.example');
        self::assertSame($plain->importance->of($other), $said->importance->of($other));
        self::assertNull($said->leanings->likely($other));
    }

    private static function say(World $world, ?int $matters, ?AdvisedDecision $should): Entry
    {
        return ($world->correct)(
            World::account(),
            new EntryId($world->ids->next()),
            CorrectionAbout::Sender,
            self::OLGA,
            'Olga',
            $matters,
            $should,
        );
    }

    private static function only(World $world): Correction
    {
        self::assertCount(1, $world->memory->corrections);

        return array_values($world->memory->corrections)[0];
    }
}
