<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\PutBack;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

final class DecideTest extends TestCase
{
    public function testASnoozedConversationComesBackByItselfAtItsMomentAndNotBefore(): void
    {
        $world = new World('2026-11-24T10:00:00Z');
        $conversation = $world->conversation();
        $entry = $world->decide(new Snooze(self::moment('2026-11-25T09:00:00Z')), [$conversation]);

        self::assertSame('back Wed 25 Nov 2026, 09:00', $entry->consequence);
        self::assertSame(Place::Away, $conversation->placeAt(new \DateTimeImmutable('2026-11-25T08:59:59Z')));
        self::assertSame(Place::Tray, $conversation->placeAt(new \DateTimeImmutable('2026-11-25T09:00:00Z')));
        self::assertSame(Place::Tray, $conversation->placeAt(new \DateTimeImmutable('2027-11-25T09:00:00Z')));
    }

    public function testSnoozingIntoThePastIsRefused(): void
    {
        $world = new World('2026-11-24T10:00:00Z');
        $conversation = $world->conversation();

        $this->expectException(Refused::class);
        $this->expectExceptionMessage('Tue 24 Nov 2026, 10:00 is already past.');
        $world->decide(new Snooze(self::moment('2026-11-24T10:00:00Z')), [$conversation]);
    }

    public function testSnoozesAreCountedUntilAnotherDecision(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $world->decide(new Snooze(self::moment('2026-11-25T09:00:00Z')), [$conversation]);
        $world->decide(new Snooze(self::moment('2026-11-26T09:00:00Z')), [$conversation]);
        self::assertSame(2, $conversation->state()['snoozes']);

        $world->decide(new Archive(), [$conversation]);
        self::assertSame(0, $conversation->state()['snoozes']);
    }

    public function testOneConversationThatIsMissingMeansThatNoneIsDecided(): void
    {
        $world = new World();
        $conversation = $world->conversation();

        $this->expectException(NotFound::class);
        try {
            $claims = [new Claim($conversation->id), new Claim(new ConversationId('not there'))];
            ($world->decide)(World::account(), new EntryId('entry'), new Archive(), $claims);
        } finally {
            self::assertSame(Place::Tray, $conversation->placeAt($world->clock->now()));
            self::assertSame([], $world->memory->entries);
        }
    }

    public function testARepeatedRequestDecidesOnce(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $first = ($world->decide)(
            World::account(),
            new EntryId('entry'),
            new Snooze(self::moment('2026-11-25T09:00:00Z')),
            [new Claim($conversation->id)],
        );
        $second = ($world->decide)(
            World::account(),
            new EntryId('entry'),
            new Snooze(self::moment('2026-11-25T09:00:00Z')),
            [new Claim($conversation->id)],
        );

        self::assertSame($first->entry, $second->entry);
        self::assertSame(1, $conversation->state()['snoozes']);
    }

    public function testOnlyWhatIsInTheBinCanBePutBackFromIt(): void
    {
        $world = new World();
        [$binned, $other] = [$world->conversation('Binned'), $world->conversation('Other')];
        $world->decide(new Delete(), [$binned]);
        $world->decide(new PutBack(), [$binned]);
        self::assertSame(Place::Tray, $binned->placeAt($world->clock->now()));
        self::assertNull($binned->binnedAt());

        $this->expectException(Refused::class);
        $world->decide(new PutBack(), [$other]);
    }

    public function testTheBinGivesUpAfterThirtyDaysAndTheTaskKeepsItsCopy(): void
    {
        $world = new World('2026-11-24T10:00:00Z');
        $conversation = $world->conversation('Lantern glass');
        $world->makeTask(new TaskFields('Choose the glass'), $conversation);
        $world->decide(new Delete(), [$conversation]);

        $world->clock->set('2026-12-24T09:59:59Z');
        self::assertNull($world->emptyBin->expired(World::account(), new EntryId('too early')));
        $world->clock->set('2026-12-24T10:00:00Z');
        self::assertNotNull($world->emptyBin->expired(World::account(), new EntryId('in time')));

        self::assertSame([], $world->memory->conversations);
        self::assertSame([], $world->memory->messages);
        $copy = $world->memory->copies[$world->task('Choose the glass')->sources()[0]->ref];
        self::assertSame('Lantern glass', $copy->subject);
        self::assertSame('Which one shall it be?', $copy->text);
    }

    private static function moment(string $instant): Moment
    {
        return new Moment(new \DateTimeImmutable($instant), new \DateTimeZone('UTC'));
    }
}
