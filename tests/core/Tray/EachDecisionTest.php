<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\ArchiveRest;
use ZippyTray\Core\Tray\Decision\BringBack;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\MoveReturn;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Decision\PutBack;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

/**
 * What each decision does to a conversation, wherever that is, and what taking it back leaves. It is Tuesday 24 November 2026, 10:00.
 */
final class EachDecisionTest extends TestCase
{
    private const FIRST = ['tray', 'away', 'back', 'archive', 'bin', 'muted'];

    /** @return iterable<string, array{string, Decision, Place|null, AwayReason|null, AdvisedDecision|null, bool}> */
    public static function decisions(): iterable
    {
        $until = self::at('2026-11-26T09:00:00Z');
        // What is decided, where it leads from anywhere, why it is away then, what it is remembered as, whether it stays silent.
        $everywhere = [
            'archive' => [new Archive(), Place::Archive, null, AdvisedDecision::Archive, false],
            'archive the rest' => [new ArchiveRest(), Place::Archive, null, AdvisedDecision::Archive, false],
            'do now' => [new DoNow(), Place::Archive, null, AdvisedDecision::Now, false],
            'delete' => [new Delete(), Place::Bin, null, AdvisedDecision::Delete, false],
            'mute' => [new Mute(), Place::Archive, null, AdvisedDecision::Archive, true],
            'snooze' => [new Snooze($until), Place::Away, AwayReason::Snooze, AdvisedDecision::Snooze, false],
            'snooze until an answer' => [
                new Snooze($until, AwayReason::Answer),
                Place::Away,
                AwayReason::Answer,
                AdvisedDecision::Snooze,
                false,
            ],
            'snooze until the next clearing' => [
                new Snooze($until, AwayReason::NextClearing),
                Place::Away,
                AwayReason::NextClearing,
                AdvisedDecision::Snooze,
                false,
            ],
            'hand over' => [new HandOver('Petra', 'the rota', $until), Place::Away, AwayReason::HandOver, AdvisedDecision::Delegate, false],
            'bring back' => [new BringBack(), Place::Tray, null, null, false],
        ];
        foreach (self::FIRST as $from) {
            foreach ($everywhere as $name => $outcome) {
                yield "{$name}, from {$from}" => [$from, ...$outcome];
            }
            yield "put back, from {$from}" => [$from, new PutBack(), 'bin' === $from ? Place::Tray : null, null, null, false];
            yield "move its return, from {$from}" => [
                $from,
                new MoveReturn($until),
                'away' === $from ? Place::Away : null,
                AwayReason::Snooze,
                AdvisedDecision::Snooze,
                false,
            ];
        }
    }

    /** @param Place|null $place null: it cannot be decided so from there */
    #[DataProvider('decisions')]
    public function testWhereItLeads(
        string $from,
        Decision $decision,
        ?Place $place,
        ?AwayReason $reason,
        ?AdvisedDecision $as,
        bool $isMuted,
    ): void {
        $world = new World('2026-11-20T10:00:00Z');
        $conversation = $this->first($world, $from);
        $world->clock->set('2026-11-24T10:00:00Z');
        $before = $world->state();
        $revision = $conversation->revision();
        try {
            $entry = $world->decide($decision, [$conversation]);
            self::assertNotNull($place, 'It should be refused.');
        } catch (Refused) {
            self::assertNull($place, 'It should be done.');
            self::assertSame($before, $world->state());

            return;
        }
        self::assertSame(
            [$place, $reason, $as?->value, $isMuted],
            [
                $conversation->placeAt($world->clock->now()),
                $conversation->awayReason(),
                $conversation->state()['decidedAs'],
                $conversation->isMuted(),
            ],
        );
        self::assertSame(
            [$decision->kind(), 'Lantern glass', $decision->consequence()],
            [$entry->kind, $entry->about, $entry->consequence],
        );
        self::assertGreaterThan($revision, $conversation->revision(), 'Whoever saw it before is told.');
        self::assertFalse($conversation->isRevisedByMail());
        if (Place::Away === $place) {
            self::assertEquals(self::at('2026-11-26T09:00:00Z')->instant, $conversation->awayUntil()?->instant);
        } else {
            self::assertNull($conversation->awayUntil());
        }
        self::assertSame(Place::Bin === $place, null !== $conversation->binnedAt());
        $world->undo($entry);
        self::assertSame($before, $world->state());
    }

    /** @return iterable<string, array{callable(Moment): Decision}> */
    public static function withAMoment(): iterable
    {
        yield 'snooze' => [static fn (Moment $until): Decision => new Snooze($until)];
        yield 'hand over' => [static fn (Moment $until): Decision => new HandOver('Petra', '', $until)];
        yield 'move its return' => [static fn (Moment $until): Decision => new MoveReturn($until)];
    }

    /** @param callable(Moment): Decision $decision */
    #[DataProvider('withAMoment')]
    public function testAMomentThatIsPastIsRefused(callable $decision): void
    {
        $world = new World();
        $conversation = $this->first($world, 'away');
        $before = $world->state();
        foreach (['2026-11-24T10:00:00Z', '2026-11-24T09:59:59Z', '2020-01-01T00:00:00Z'] as $past) {
            try {
                $world->decide($decision(self::at($past)), [$conversation]);
                self::fail("{$past} is past.");
            } catch (Refused $refused) {
                self::assertSame('until', $refused->field);
            }
        }
        self::assertSame($before, $world->state());
    }

    private function first(World $world, string $from): Conversation
    {
        $conversation = $world->conversation();
        $decision = match ($from) {
            'away' => new Snooze(self::at('2026-12-20T09:00:00Z')),
            'back' => new Snooze(self::at('2026-11-24T08:00:00Z')),
            'archive' => new Archive(),
            'bin' => new Delete(),
            'muted' => new Mute(),
            default => null,
        };
        null === $decision || $world->decide($decision, [$conversation]);

        return $conversation;
    }

    private static function at(string $instant): Moment
    {
        return new Moment(new \DateTimeImmutable($instant), World::zone());
    }
}
