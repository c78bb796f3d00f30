<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Importance;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Journal\CannotUndo;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\UndoBlocked;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\BringBack;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Importance\Lesson;
use ZippyTray\Core\Tray\Importance\Shown;
use ZippyTray\Tests\Core\World\World;

/**
 * What is learned from the journal is what its decisions in effect make of it, whatever was undone on the way.
 */
final class LearnTest extends TestCase
{
    /** @return iterable<string, array{Decision, Shown, AdvisedDecision}> */
    public static function decisions(): iterable
    {
        yield 'done at once' => [new DoNow(), Shown::Acted, AdvisedDecision::Now];
        yield 'archived after a look' => [new Archive(), Shown::Read, AdvisedDecision::Archive];
        yield 'deleted' => [new Delete(), Shown::Dropped, AdvisedDecision::Delete];
        yield 'muted' => [new Mute(), Shown::Dropped, AdvisedDecision::Archive];
        yield 'put off' => [
            new Snooze(new Moment(new \DateTimeImmutable('2026-11-30T09:00:00Z'), World::zone())),
            Shown::PutOff,
            AdvisedDecision::Snooze,
        ];
    }

    #[DataProvider('decisions')]
    public function testADecisionIsALesson(Decision $decision, Shown $shown, AdvisedDecision $done): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $conversation->markRead();
        $world->decide($decision, [$conversation]);
        $lesson = self::learned($world)[0];
        self::assertSame([$shown, $done, 'tam@glass.example'], [$lesson->shown, $lesson->done, $lesson->key]);
        self::assertContains('from tam@glass.example asks', $lesson->traits->names);
    }

    public function testWhatIsArchivedWithoutALookShowsLess(): void
    {
        $world = new World();
        $world->decide(new Archive(), [$world->conversation()]);
        self::assertSame(Shown::Unread, self::learned($world)[0]->shown);
    }

    public function testATaskIsALessonAndWhatDecidesNothingIsNone(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $world->decide(new BringBack(), [$world->conversation('Elsewhere')]);
        $world->makeTask(new TaskFields('Order the glass'), $conversation);
        $world->makeTask(new TaskFields('Of no message'));
        $lessons = self::learned($world);
        self::assertCount(1, $lessons);
        self::assertSame([Shown::Acted, AdvisedDecision::Task], [$lessons[0]->shown, $lessons[0]->done]);
    }

    public function testItGoesOnFromWhereItWasAndWaitsForMailThatIsNotRead(): void
    {
        $world = new World();
        foreach (range(1, 5) as $number) {
            $world->decide(new Archive(), [$world->conversation("Number {$number}")]);
        }
        $learn = static fn (int $most): int => ($world->learn)(World::account(), $most, static fn (): bool => false);
        self::assertSame([2, 3, 0], [$learn(2), $learn(10), $learn(10)]);
        $world->decide(new Delete(), [$world->conversation()]);
        $world->decidedMail->isRead = false;
        $world->decide(new Archive(), [$world->conversation('Behind it')]);
        $world->decidedMail->asked = 0;
        self::assertSame([0, 5], [$learn(10), $world->lessons->learnedTo(World::account())]);
        self::assertSame(2, $world->decidedMail->asked, 'What comes behind it is asked for, too.');
        $world->decidedMail->isRead = true;
        self::assertSame([2, 7], [$learn(10), $world->lessons->count(World::account())]);
        self::assertSame(0, ($world->learn)(World::account(), 10, static fn (): bool => true));
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            yield 'seed '.$seed => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testWhateverIsUndoneItIsWhatTheDecisionsInEffectMakeOfIt(int $seed): void
    {
        $world = new World();
        $chance = new Randomizer(new Mt19937($seed));
        $conversations = array_map(static fn (int $i): Conversation => $world->conversation('Subject number '.$i), range(1, 6));
        $entries = [];
        for ($step = 0; $step < 30; ++$step) {
            $world->clock->set(\sprintf('2026-11-24T10:%02d:00Z', $step));
            $entry = self::anyStep($world, $chance, $conversations, $entries);
            $entries = null === $entry ? $entries : [...$entries, $entry];
            if (0 === $chance->getInt(0, 2)) {
                ($world->learn)(World::account(), $chance->getInt(1, 6), static fn (): bool => false);
            }
        }
        ($world->learn)(World::account(), 100, static fn (): bool => false);
        [$learned, $count] = [$world->lessons->all(), $world->lessons->count(World::account())];
        $world->learn->anew(World::account());
        self::assertEquals($world->lessons->all(), $learned);
        self::assertSame($world->lessons->count(World::account()), $count);
        self::assertSame(\count($world->memory->entries), $world->lessons->learnedTo(World::account()));
    }

    public function testSometimesAllIsLearnedFromTheBeginning(): void
    {
        $world = new World();
        $first = $world->decide(new Archive(), [$world->conversation()]);
        foreach (range(1, 10) as $number) {
            $world->decide(new Delete(), [$world->conversation("Number {$number}")]);
        }
        ($world->learn)(World::account(), 100, static fn (): bool => false);
        $world->undo($first);
        ($world->learn)(World::account(), 100, static fn (): bool => false);
        self::assertSame([1, 10], [$world->lessons->replaced, $world->lessons->count(World::account())]);
    }

    /** @return list<Lesson> */
    private static function learned(World $world): array
    {
        ($world->learn)(World::account(), 100, static fn (): bool => false);

        return array_merge(...array_values($world->lessons->lessons()));
    }

    /**
     * @param non-empty-list<Conversation> $conversations
     * @param list<Entry>                  $entries
     */
    private static function anyStep(World $world, Randomizer $chance, array $conversations, array $entries): ?Entry
    {
        $some = array_map(
            static fn (int|string $key): Conversation => $conversations[(int) $key],
            $chance->pickArrayKeys($conversations, $chance->getInt(1, 3)),
        );
        $decisions = [new Archive(), new Delete(), new DoNow(), new Mute(), new BringBack()];
        if ([] === $entries || 0 !== $chance->getInt(0, 2)) {
            return $world->decide($decisions[$chance->getInt(0, 4)], $some);
        }
        try {
            return ($world->undo)(
                World::account(),
                new EntryId($world->ids->next()),
                $entries[$chance->getInt(0, \count($entries) - 1)]->id,
                0 === $chance->getInt(0, 1),
            );
        } catch (CannotUndo|UndoBlocked) {
            return null;
        }
    }
}
