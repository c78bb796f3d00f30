<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\BringBack;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\MoveReturn;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

/**
 * Mail that arrives between two hours at which mail comes in.
 */
final class HeldTest extends TestCase
{
    private const HOUR = '2026-11-24T13:00:00Z';

    /** @return iterable<string, array{\Closure(World, Conversation): mixed, string, bool, Place, string|null}> */
    public static function arrivals(): iterable
    {
        $at = static fn (string $when): Moment => self::moment($when);
        $decided = static fn (Decision $decision): \Closure => static function (World $world, Conversation $mail) use ($decision): void {
            $world->decide($decision, [$mail]);
        };
        $tam = 'tam@glass.example';
        yield 'in the tray' => [static fn (): bool => true, $tam, true, Place::Tray, null];
        yield 'archived' => [$decided(new Archive()), $tam, false, Place::Tray, null];
        yield 'muted' => [$decided(new Mute()), $tam, false, Place::Archive, null];
        yield 'put off' => [$decided(new Snooze($at('2026-11-27T09:00:00Z'))), $tam, false, Place::Tray, 'message'];
        yield 'put off, back before that hour' => [$decided(new Snooze($at('2026-11-24T12:00:00Z'))), $tam, false, Place::Tray, 'message'];
        yield 'until they answer' => [
            $decided(new Snooze($at('2026-11-27T09:00:00Z'), AwayReason::Answer)),
            $tam,
            true,
            Place::Tray,
            'message',
        ];
        $owed = new HandOver('Tam <tam@glass.example>', 'the panes', $at('2026-11-27T09:00:00Z'));
        yield 'they owe it' => [$decided($owed), $tam, true, Place::Tray, 'answer'];
        yield 'another owes it' => [$decided($owed), 'ilse@glass.example', false, Place::Tray, 'message'];
    }

    /**
     * @param \Closure(World, Conversation): mixed $before  what was decided about it
     * @param bool                                 $atOnce  whether it is in the tray before the hour
     * @param Place                                $then    where it is from the hour on
     * @param string|null                          $because what it says of its return
     */
    #[DataProvider('arrivals')]
    public function testWhatSomebodyWaitsForComesInAtOnceAndOtherMailAtItsHour(
        \Closure $before,
        string $from,
        bool $atOnce,
        Place $then,
        ?string $because,
    ): void {
        $world = new World();
        $mail = self::arrive($world, 'tam@glass.example', 'one', held: false);
        $before($world, $mail);
        self::arrive($world, $from, 'two', 'one');
        self::assertSame($atOnce, Place::Tray === $mail->placeAt($world->clock->now()));
        self::assertSame(!$atOnce && Place::Tray === $then, $mail->isHeld($world->clock->now()));
        $world->clock->set(self::HOUR);
        self::assertSame([$then, false, $because], [
            $mail->placeAt($world->clock->now()),
            $mail->isHeld($world->clock->now()),
            $mail->state()['calledBackBy'],
        ]);
    }

    public function testWhatNobodyPutAwayHasNotComeBackAndIsNoEntry(): void
    {
        $world = new World();
        $mail = self::arrive($world, 'tam@glass.example', 'one');
        self::assertSame([Place::Away, AwayReason::Held, null], [
            $mail->placeAt($world->clock->now()),
            $mail->awayReason(),
            $mail->due(),
        ]);
        self::arrive($world, 'tam@glass.example', 'two', 'one');
        self::assertSame([], $world->memory->entries);
        $world->clock->set(self::HOUR);
        self::assertSame([Place::Tray, false], [$mail->placeAt($world->clock->now()), $mail->hasReturned($world->clock->now())]);
        self::arrive($world, 'tam@glass.example', 'three', 'one');
        self::assertSame(Place::Tray, $mail->placeAt($world->clock->now()), 'It is in the tray already.');
    }

    public function testAnAnswerInWhatIsHeldLetsItIn(): void
    {
        $world = new World();
        $mail = self::arrive($world, 'ilse@glass.example', 'one');
        $world->decide(new HandOver('Tam <tam@glass.example>', 'the panes', self::moment('2026-11-27T09:00:00Z')), [$mail]);
        self::arrive($world, 'ilse@glass.example', 'two', 'one');
        self::assertTrue($mail->isHeld($world->clock->now()));
        self::arrive($world, 'tam@glass.example', 'three', 'two');
        self::assertSame(Place::Tray, $mail->placeAt($world->clock->now()));
    }

    public function testItIsDecidedBeforeItsHourAsAtAnyOther(): void
    {
        foreach ([[new Archive(), Place::Archive], [new BringBack(), Place::Tray]] as [$decision, $place]) {
            $world = new World();
            $mail = self::arrive($world, 'tam@glass.example', 'one');
            $before = $world->state();
            $entry = $world->decide($decision, [$mail]);
            self::assertSame($place, $mail->placeAt($world->clock->now()));
            $world->undo($entry);
            self::assertSame($before, $world->state());
        }
        $world = new World();
        $mail = self::arrive($world, 'tam@glass.example', 'one');
        $world->decide(new MoveReturn(self::moment('2026-11-27T09:00:00Z')), [$mail]);
        self::assertSame([AwayReason::Snooze, 1, false], [
            $mail->awayReason(),
            $mail->state()['snoozes'],
            $mail->isHeld($world->clock->now()),
        ]);
    }

    public function testAllIsLetInOrComesAtAnotherHourAndThatIsTakenBack(): void
    {
        $world = new World();
        $off = self::arrive($world, 'tam@glass.example', 'one', held: false);
        $world->decide(new Snooze(self::moment('2026-11-24T12:30:00Z')), [$off]);
        self::arrive($world, 'tam@glass.example', 'two', 'one');
        $new = self::arrive($world, 'ilse@glass.example', 'three');
        $other = self::arrive($world, 'olga@glass.example', 'four', held: false);
        $world->decide(new Snooze(self::moment('2026-11-28T09:00:00Z')), [$other]);
        $before = $world->state();

        $moved = ($world->letIn)(World::account(), new EntryId('later'), self::moment('2026-11-24T16:30:00Z'));
        self::assertSame(['2026-11-24T12:30:00Z', '2026-11-24T16:30:00Z', '2026-11-28T09:00:00Z'], array_map(
            static fn (Conversation $mail): ?string => $mail->awayUntil()?->instant->format('Y-m-d\TH:i:s\Z'),
            [$off, $new, $other],
        ));
        $world->undo($moved);
        self::assertSame($before, $world->state());

        $now = ($world->letIn)(World::account(), new EntryId('now'));
        self::assertSame([Place::Tray, Place::Tray, Place::Away], array_map(
            static fn (Conversation $mail): Place => $mail->placeAt($world->clock->now()),
            [$off, $new, $other],
        ));
        $world->undo($now);
        self::assertSame($before, $world->state());
        ($world->letIn)(World::account(), new EntryId('again'));
        $this->expectException(Refused::class);
        ($world->letIn)(World::account(), new EntryId('nothing'));
    }

    public function testWhoIsBlockedIsBlockedBeforeTheHourToo(): void
    {
        $world = new World();
        $one = self::arrive($world, 'spam@junk.example', 'one', held: false);
        $two = self::arrive($world, 'spam@junk.example', 'two');
        ($world->block)(World::account(), new EntryId('block'), [new Claim($one->id)], false, new Person(World::OWN));
        self::assertSame([Place::Blocked, Place::Blocked], [
            $one->placeAt($world->clock->now()),
            $two->placeAt($world->clock->now()),
        ]);
    }

    public function testWhatBelongsToSomethingThatIsPutOffBringsItBackAtItsHour(): void
    {
        $world = new World();
        $first = self::arrive($world, 'tam@glass.example', 'a', held: false);
        $world->decide(new Snooze(self::moment('2026-11-27T09:00:00Z')), [$first]);
        self::arrive($world, 'ilse@glass.example', 'c', 'b');
        self::arrive($world, World::OWN, 'b', 'a');
        $left = array_values($world->memory->conversations);
        self::assertCount(1, $left);
        self::assertSame([true, self::HOUR], [
            $left[0]->isHeld($world->clock->now()),
            $left[0]->awayUntil()?->instant->format('Y-m-d\TH:i:s\Z'),
        ]);
    }

    private static function moment(string $at): Moment
    {
        return new Moment(new \DateTimeImmutable($at), World::zone());
    }

    private static function arrive(World $world, string $from, string $id, string $answers = '', bool $held = true): Conversation
    {
        $to = new Recipient(World::account(), new Person(World::OWN), true, $held ? self::moment(self::HOUR) : null);
        $references = '' === $answers ? '' : "References: <{$answers}@x.example>\n";
        $message = ($world->arrive)(
            $to,
            "From: {$from}\nTo: ".World::OWN."\nSubject: About {$id}\nMessage-ID: <{$id}@x.example>\n{$references}\nA text.",
        );
        self::assertInstanceOf(Message::class, $message);

        return $world->memory->conversations[$world->memory->conversationOf[$message->id->text]];
    }
}
