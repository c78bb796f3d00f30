<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\UndoBlocked;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Back;
use ZippyTray\Core\Tray\BackBecause;
use ZippyTray\Core\Tray\ClearingOrder;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\MoveReturn;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Core\Tray\SnoozePresets;
use ZippyTray\Core\Tray\TooOften;
use ZippyTray\Tests\Core\World\World;

/**
 * What is away has a moment, and comes back at it or before.
 */
final class ReturnTest extends TestCase
{
    /**
     * @return iterable<string, array{AwayReason, bool, bool}> why it is away, whether mail ends a snooze, whether a message brings it back
     */
    public static function messages(): iterable
    {
        yield 'a snooze, as usual' => [AwayReason::Snooze, true, true];
        yield 'a snooze that mail does not end' => [AwayReason::Snooze, false, false];
        yield 'until an answer' => [AwayReason::Answer, false, true];
        yield 'until the next clearing' => [AwayReason::NextClearing, false, false];
    }

    #[DataProvider('messages')]
    public function testAMessageBringsItBack(AwayReason $reason, bool $endsSnooze, bool $back): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $world->decide(new Snooze(self::moment('2026-11-27T09:00:00Z'), $reason), [$conversation]);
        $conversation->receive($world->message(text: 'Here.'), true, $world->clock->now(), $endsSnooze);
        self::assertSame($back ? Place::Tray : Place::Away, $conversation->placeAt($world->clock->now()));
        self::assertSame($back ? 'message' : null, $conversation->state()['calledBackBy']);
        self::assertSame(
            Place::Tray,
            $conversation->placeAt(new \DateTimeImmutable('2026-11-27T09:00:00Z')),
            'At its moment at the latest.',
        );
    }

    public function testHowOftenAndSinceWhenItWasPutOff(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        foreach (['2026-11-24T10:00:00Z', '2026-11-25T10:00:00Z', '2026-11-27T10:00:00Z'] as $number => $now) {
            $world->clock->set($now);
            $world->decide(new Snooze(new Moment($world->clock->now()->modify('+1 hour'), World::zone())), [$conversation]);
            self::assertSame(
                [$number + 1, '2026-11-24T10:00:00+00:00'],
                [$conversation->state()['snoozes'], $conversation->state()['snoozedSince']],
            );
        }
        $world->decide(new Archive(), [$conversation]);
        self::assertSame([0, null], [$conversation->state()['snoozes'], $conversation->state()['snoozedSince']]);
    }

    public function testTheNextClearingBringsBackWhatWaitsForIt(): void
    {
        $world = new World();
        [$waiting, $other] = [$world->conversation('Waiting'), $world->conversation('Other')];
        $snooze = $world->decide(new Snooze(self::moment('2026-12-01T09:00:00Z'), AwayReason::NextClearing), [$waiting]);
        self::assertStringStartsWith('back when you next clear the tray, at the latest', $snooze->consequence);
        $world->decide(new Snooze(self::moment('2026-12-01T09:00:00Z')), [$other]);

        $world->clock->set('2026-11-24T10:20:00Z');
        $this->clear($world, 'soon after');
        self::assertSame(Place::Away, $waiting->placeAt($world->clock->now()), 'That goes on with the clearing in which it was put off.');
        $world->clock->set('2026-11-24T14:00:00Z');
        $this->clear($world, 'in the afternoon');
        self::assertSame(
            [Place::Tray, 'clearing', Place::Away],
            [$waiting->placeAt($world->clock->now()), $waiting->state()['calledBackBy'], $other->placeAt($world->clock->now())],
        );
        $entry = array_values($world->memory->entries)[2];
        self::assertSame(['come_back', 'Waiting'], [$entry->kind->value, $entry->about]);
        try {
            $world->undo($snooze);
            self::fail('The return came later.');
        } catch (UndoBlocked $blocked) {
            self::assertSame($entry, $blocked->later);
        }
        $world->undo($entry);
        self::assertSame(Place::Away, $waiting->placeAt($world->clock->now()));
        $this->clear($world, 'in the afternoon');
        self::assertSame(Place::Away, $waiting->placeAt($world->clock->now()), 'The same clearing begins once.');
    }

    /** @return iterable<string, array{Back, string, string}> what came back on Fri 27 Nov 2026, why, what had been decided */
    public static function backs(): iterable
    {
        $at = self::moment('2026-11-27T09:00:00Z');
        $mon = new \DateTimeImmutable('2026-11-23T10:00:00Z');
        $old = new \DateTimeImmutable('2025-12-30T10:00:00Z');
        yield 'at its time' => [
            new Back(BackBecause::Time, AwayReason::Snooze, $at, $mon, 1, $mon),
            'You wanted it back today.',
            'Put off Mon 23 Nov.',
        ];
        yield 'put off again and again' => [
            new Back(BackBecause::Time, AwayReason::Snooze, self::moment('2026-11-26T09:00:00Z'), $mon, 3, $old),
            'You wanted it back yesterday.',
            'Put off Mon 23 Nov, 3 times since Tue 30 Dec 2025.',
        ];
        yield 'mail' => [new Back(BackBecause::Message, AwayReason::Snooze, $at, $mon, 1), 'A message has come in.', 'Put off Mon 23 Nov.'];
        yield 'an answer' => [
            new Back(BackBecause::Message, AwayReason::Answer, $at, $mon, 1),
            'The answer that you waited for has come in.',
            'Put off Mon 23 Nov, until they answer.',
        ];
        yield 'no answer' => [
            new Back(BackBecause::Time, AwayReason::Answer, $at, $mon, 1),
            'No answer has come: you gave until today.',
            'Put off Mon 23 Nov, until they answer.',
        ];
        yield 'a hand-over in silence' => [
            new Back(BackBecause::Time, AwayReason::HandOver, $at, $mon, 0, null, 'Petra', 'the rota.'),
            'Petra has not answered: you gave until today.',
            'Handed over to Petra Mon 23 Nov: the rota.',
        ];
        yield 'a hand-over with mail' => [
            new Back(BackBecause::Message, AwayReason::HandOver, $at, $mon, 0, null, 'Petra'),
            'A message has come in. Petra owed you an answer.',
            'Handed over to Petra Mon 23 Nov.',
        ];
        yield 'a clearing' => [
            new Back(BackBecause::Clearing, AwayReason::NextClearing, $at, null, 1),
            'You wanted it back for your next clearing.',
            '',
        ];
        yield 'no clearing' => [
            new Back(BackBecause::Time, AwayReason::NextClearing, $at, $mon, 1),
            'You have not cleared the tray since you put it off.',
            'Put off Mon 23 Nov.',
        ];
    }

    #[DataProvider('backs')]
    public function testWhatCameBackSaysWhy(Back $back, string $why, string $before): void
    {
        $today = LocalDate::parse('2026-11-27');
        self::assertSame([$why, $before], [$back->why($today), $back->before($today)]);
    }

    /** @return iterable<string, array{string, list<string>}> now, the presets that are offered with what they mean */
    public static function moments(): iterable
    {
        yield 'a Tuesday morning' => [
            '2026-11-24T10:00:00Z',
            [
                'in 3 hours 24 13:00',
                'this evening 24 18:00',
                'tomorrow morning 25 09:00',
                'monday morning 30 09:00',
                'first of next month 01 09:00',
            ],
        ];
        yield 'at night this evening is over' => [
            '2026-11-24T21:00:00Z',
            ['in 3 hours 25 00:00', 'tomorrow morning 25 09:00', 'monday morning 30 09:00', 'first of next month 01 09:00'],
        ];
    }

    /** @param list<string> $expected */
    #[DataProvider('moments')]
    public function testPresetsAreWhenPhrases(string $now, array $expected): void
    {
        $found = [];
        foreach ((new SnoozePresets())->moments(self::speaker($now)) as $phrase => $moment) {
            $found[] = $phrase.' '.$moment->instant->format('d H:i');
        }
        self::assertSame($expected, $found);
    }

    /** @return iterable<array{list<string>, string}> */
    public static function badPresets(): iterable
    {
        yield [['tomorrow', 'blursday'], '"blursday": I cannot read "blursday".'];
        yield [['every monday'], '"every monday" is a repeat. Write one day or moment.'];
        yield [['1d', '2d', '3d', '4d', '5d', '6d', '7d', '8d'], 'At most 7: each has a digit of its own.'];
    }

    /** @param list<string> $phrases */
    #[DataProvider('badPresets')]
    public function testAPresetThatCannotBeIsRefused(array $phrases, string $sentence): void
    {
        $this->expectExceptionObject(new Refused($sentence, 'snoozes'));
        (new SnoozePresets($phrases))->check(self::speaker('2026-11-24T10:00:00Z'));
    }

    public function testPresetsAreCleaned(): void
    {
        self::assertSame(['in 2h', 'friday'], (new SnoozePresets([' in  2h', '', 'friday', 'in 2h']))->phrases);
    }

    /** @return iterable<string, array{AwayReason|null}> null: handed over */
    public static function reasons(): iterable
    {
        yield 'a snooze' => [AwayReason::Snooze];
        yield 'until they answer' => [AwayReason::Answer];
        yield 'handed over' => [null];
    }

    #[DataProvider('reasons')]
    public function testAReturnThatIsMovedKeepsItsReason(?AwayReason $reason): void
    {
        $world = new World();
        $mail = $world->conversation();
        $friday = self::moment('2026-11-27T09:00:00Z');
        $away = $world->decide(null === $reason ? new HandOver('Petra', 'the rota', $friday) : new Snooze($friday, $reason), [$mail]);
        $before = $mail->state();
        $moved = $world->decide(new MoveReturn(self::moment('2026-12-01T09:00:00Z')), [$mail]);
        $kept = array_flip(['place', 'awayReason', 'owedBy', 'owedWhat', 'snoozedSince']);
        self::assertSame(array_intersect_key($before, $kept), array_intersect_key($mail->state(), $kept));
        self::assertSame('back Tue 1 Dec 2026, 09:00', $moved->consequence);
        self::assertSame(
            [Place::Away, Place::Tray],
            [
                $mail->placeAt(new \DateTimeImmutable('2026-11-27T09:00:00Z')),
                $mail->placeAt(new \DateTimeImmutable('2026-12-01T09:00:00Z')),
            ],
        );
        $world->undo($moved);
        $world->undo($away);
        self::assertSame(Place::Tray, $mail->placeAt($world->clock->now()));
    }

    public function testOnlyWhatIsAwayHasAReturnToMove(): void
    {
        $world = new World();
        $mail = $world->conversation('Rota');
        $this->expectExceptionObject(new Refused('"Rota" is not away.'));
        $world->decide(new MoveReturn(self::moment('2026-12-01T09:00:00Z')), [$mail]);
    }

    public function testALaterReturnIsOnceMorePutOffAndASoonerOneIsNot(): void
    {
        $world = new World();
        $mail = $world->conversation('Rota');
        $world->decide(new Snooze(self::moment('2026-12-01T09:00:00Z')), [$mail]);
        $world->decide(new MoveReturn(self::moment('2026-11-30T09:00:00Z')), [$mail]);
        self::assertSame(1, $mail->state()['snoozes']);
        $world->decide(new MoveReturn(self::moment('2026-12-02T09:00:00Z')), [$mail]);
        self::assertSame(2, $mail->state()['snoozes']);

        $other = $world->conversation('Glass');
        $world->decide(new HandOver('Tam', 'the panes', self::moment('2026-12-01T09:00:00Z')), [$other]);
        $world->decide(new MoveReturn(self::moment('2026-12-02T09:00:00Z')), [$other]);
        self::assertSame(0, $other->state()['snoozes'], 'Somebody else has more time.');
    }

    public function testWhatIsAwayAndIsJoinedToWhatIsArchivedStaysAway(): void
    {
        $letter = static fn (string $id, string $refers): string => "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\n"
            ."Subject: Glass\r\nDate: Mon, 2 Nov 2026 08:00:00 +0000\r\nMessage-ID: <{$id}@glass.example>\r\n"
            .('' === $refers ? '' : "References: {$refers}\r\n")."\r\nHere.\r\n";
        foreach ([['a', 'c'], ['c', 'a']] as [$away, $archived]) {
            $world = new World();
            $of = [];
            foreach (['a' => '', 'c' => '<x@glass.example>'] as $id => $refers) {
                ($world->arrive)(World::recipient(), $letter($id, $refers));
                $of[$id] = array_values(array_diff_key(
                    $world->memory->conversations,
                    array_flip(array_map(static fn (Conversation $one): string => $one->id->text, $of)),
                ))[0];
            }
            $world->decide(new Archive(), [$of[$archived]]);
            $world->decide(new Snooze(self::moment('2026-12-01T09:00:00Z')), [$of[$away]]);
            ($world->arrive)(World::recipient(), $letter('x', '<a@glass.example>'), Place::Archive);

            self::assertCount(1, $world->memory->conversations);
            $one = array_values($world->memory->conversations)[0];
            self::assertSame(Place::Away, $one->placeAt($world->clock->now()));
            self::assertSame('2026-12-01T09:00:00+00:00', $one->awayUntil()?->instant->format(\DATE_ATOM));
        }
    }

    public function testWhatIsAwayAndIsJoinedToWhatLiesHereIsHereWithItsHistory(): void
    {
        $world = new World();
        $letter = static fn (string $id, string $refers): string => "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\n"
            ."Subject: Glass\r\nDate: Mon, 2 Nov 2026 08:00:00 +0000\r\nMessage-ID: <{$id}@glass.example>\r\n"
            .('' === $refers ? '' : "References: {$refers}\r\n")."\r\nHere.\r\n";
        foreach (['a' => '', 'c' => '<x@glass.example>'] as $id => $refers) {
            ($world->arrive)(World::recipient(), $letter($id, $refers));
        }
        [$first, $second] = array_values($world->memory->conversations);
        $world->decide(new Snooze(self::moment('2026-12-01T09:00:00Z')), [$first]);
        ($world->remindOf)(
            World::account(),
            new EntryId($world->ids->next()),
            $second->id,
            [Reminder::at(self::moment('2026-11-30T09:00:00Z'))],
        );
        ($world->arrive)(World::recipient(), $letter('x', '<a@glass.example>'));
        self::assertCount(1, $world->memory->conversations);
        $one = array_values($world->memory->conversations)[0];
        self::assertSame([Place::Tray, 1], [$one->placeAt($world->clock->now()), \count($one->reminders())]);
    }

    private function clear(World $world, string $id): void
    {
        $world->clear->begin(World::account(), new ClearingId($id), ClearingOrder::Grouped, static fn (): int => 2);
    }

    private static function speaker(string $now): Speaker
    {
        return new Speaker(new Moment(new \DateTimeImmutable($now), World::zone()), new TimeSettings());
    }

    private static function moment(string $instant): Moment
    {
        return new Moment(new \DateTimeImmutable($instant), World::zone());
    }

    public function testAChoiceThatSaysNothingNowHidesNoneBehindIt(): void
    {
        $moments = (new SnoozePresets(['31 february', 'tomorrow 9am']))->moments(self::speaker('2026-11-24T10:00:00Z'));
        self::assertSame(['tomorrow 9am'], array_keys($moments));
    }

    public function testThreeTimesAreTooOften(): void
    {
        self::assertSame(
            [null, null, TooOften::Snoozed, TooOften::Touched],
            [TooOften::of(0, 0), TooOften::of(2, 2), TooOften::of(3, 3), TooOften::of(2, 3)],
        );
    }
}
