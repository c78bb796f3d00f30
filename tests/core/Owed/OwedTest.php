<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Owed;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\MoveReturn;
use ZippyTray\Core\Tray\Overtaken;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

/**
 * Who owes what until when, and what a person can say of it. It is Tuesday 24 November 2026, 10:00.
 */
final class OwedTest extends TestCase
{
    private World $world;

    private Conversation $conversation;

    protected function setUp(): void
    {
        $this->world = new World();
        $this->conversation = $this->world->conversation('Slates');
    }

    public function testHandingOverMakesItOwedAndWaits(): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        self::assertSame(['Petra', 'the slates', true], [$owed->person()->label(), $owed->what(), $owed->isOpen()]);
        self::assertSame($this->conversation->id, $owed->conversationId());
        self::assertEquals($this->at('2026-11-27T12:00:00Z'), $owed->until());
        self::assertSame('2026-11-24T10:00', $owed->askedAt()->format('Y-m-d\TH:i'));
        self::assertSame(AwayReason::HandOver, $this->conversation->awayReason());
    }

    public function testWhatTheSamePersonOwesIsAskedForAnew(): void
    {
        $first = $this->handOver('Petra', 'the slates');
        $this->world->clock->set('2026-11-25T10:00:00Z');
        $before = $this->world->state();
        $second = $this->handOver('PETRA', 'the slates and the nails', '2026-11-30T12:00:00Z');
        self::assertSame([OwedState::Dropped, OwedState::Open], [$first->owedState(), $second->owedState()]);
        $this->world->undo($this->newest());
        self::assertSame($before, $this->world->state(), 'Undone, the first is owed again.');
        self::assertTrue($first->isOpen());
    }

    public function testWhoOwesHasMoreTimeWhenItComesBackLater(): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        $later = $this->at('2026-12-04T12:00:00Z');
        $this->world->decide(new MoveReturn($later), [$this->conversation]);
        self::assertEquals($later, $owed->until());
        $this->world->undo($this->newest());
        self::assertEquals($this->at('2026-11-27T12:00:00Z'), $owed->until());
    }

    public function testMoreTimeDoesNotTakeOutOfTheTrayWhatIsBackAlready(): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        $this->world->clock->set('2026-11-28T10:00:00Z');
        $before = $this->conversation->awayUntil();
        $this->world->settleOwed->move(
            World::account(),
            new EntryId($this->world->ids->next()),
            $owed->id,
            $this->at('2026-12-04T12:00:00Z'),
        );
        self::assertEquals($before, $this->conversation->awayUntil());
        self::assertSame(Place::Tray, $this->conversation->placeAt($this->world->clock->now()));
    }

    public function testWhatOthersOweInTheSameConversationStays(): void
    {
        $petra = $this->handOver('Petra', 'the slates');
        $tam = $this->handOver('Tam', 'the glass');
        self::assertSame([true, true], [$petra->isOpen(), $tam->isOpen()]);
    }

    /** @return iterable<string, array{OwedState, string}> */
    public static function ends(): iterable
    {
        yield 'it came another way' => [OwedState::Answered, 'has answered'];
        yield 'nobody waits for it any more' => [OwedState::Dropped, 'not expected any more'];
    }

    #[DataProvider('ends')]
    public function testAPersonSettlesIt(OwedState $as, string $consequence): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        $before = $this->world->state();
        $entry = $this->world->settleOwed->settle(World::account(), new EntryId('settled'), $owed->id, $as);
        self::assertSame(
            ['settle_owed', 'Petra: the slates', $consequence],
            [$entry->kind->value, $entry->about, $entry->consequence],
        );
        self::assertSame([$as, '2026-11-24T10:00:00+00:00'], [$owed->owedState(), $owed->state()['settledAt']]);
        self::assertSame(
            $entry,
            $this->world->settleOwed->settle(World::account(), new EntryId('settled'), $owed->id, OwedState::Dropped),
            'The same step again is one.',
        );
        $this->refused(
            'It is not owed any more.',
            fn () => $this->world->settleOwed->settle(World::account(), new EntryId('x'), $owed->id, $as),
        );
        $this->world->undo($entry);
        self::assertSame($before, $this->world->state());
    }

    public function testWithMoreTimeItsConversationComesBackLater(): void
    {
        $owed = $this->handOver('Petra', '');
        $before = $this->world->state();
        $later = $this->at('2026-12-01T09:00:00Z');
        $entry = $this->world->settleOwed->move(World::account(), new EntryId('moved'), $owed->id, $later);
        self::assertSame(['Petra', 'has until '.$later->text()], [$entry->about, $entry->consequence]);
        self::assertEquals([$later, $later], [$owed->until(), $this->conversation->awayUntil()]);
        self::assertSame(0, $this->conversation->state()['snoozes'], 'To wait longer is no putting off.');
        $this->world->undo($entry);
        self::assertSame($before, $this->world->state());
    }

    public function testAConversationThatIsNotAwayStaysWhereItIs(): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        $this->world->decide(new Archive(), [$this->conversation]);
        $this->world->settleOwed->move(World::account(), new EntryId('moved'), $owed->id, $this->at('2026-12-01T09:00:00Z'));
        self::assertSame(Place::Archive, $this->conversation->placeAt($this->world->clock->now()));
    }

    public function testAMomentThatIsPastIsNoTime(): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        $before = $this->world->state();
        foreach (['2026-11-24T09:59:59Z', '2026-11-24T10:00:00Z'] as $past) {
            try {
                $this->world->settleOwed->move(World::account(), new EntryId($past), $owed->id, $this->at($past));
                self::fail('It is past.');
            } catch (Refused $refused) {
                self::assertSame('until', $refused->field);
            }
        }
        self::assertSame($before, $this->world->state(), 'Nothing has changed.');
    }

    public function testWhatIsSettledIsTakenUpAgainAndItsConversationWaits(): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        $this->world->settleOwed->settle(World::account(), new EntryId('settled'), $owed->id, OwedState::Answered);
        $this->world->decide(new Archive(), [$this->conversation]);
        $before = $this->world->state();
        $until = $this->at('2026-11-28T09:00:00Z');
        $claim = new Claim($this->conversation->id, $this->conversation->revision());
        $entry = $this->world->settleOwed->takeUp(World::account(), new EntryId('again'), $owed->id, $until, $claim);
        self::assertSame(['Petra: the slates', 'still owed, until '.$until->text()], [$entry->about, $entry->consequence]);
        self::assertSame([true, null], [$owed->isOpen(), $owed->state()['settledAt']]);
        self::assertEquals([$until, $until], [$owed->until(), $this->conversation->awayUntil()]);
        self::assertSame(Place::Away, $this->conversation->placeAt($this->world->clock->now()));
        $this->refused(
            'It is owed already.',
            fn () => $this->world->settleOwed->takeUp(World::account(), new EntryId('x'), $owed->id, $until),
        );
        $this->world->undo($entry);
        self::assertSame($before, $this->world->state());
    }

    public function testWithoutAConversationOnlyTheAnswerIsWaitedFor(): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        $this->world->settleOwed->settle(World::account(), new EntryId('settled'), $owed->id, OwedState::Answered);
        $this->world->decide(new Archive(), [$this->conversation]);
        $this->world->settleOwed->takeUp(World::account(), new EntryId('again'), $owed->id, $this->at('2026-11-28T09:00:00Z'));
        self::assertSame([true, Place::Archive], [$owed->isOpen(), $this->conversation->placeAt($this->world->clock->now())]);
    }

    public function testWhatHappenedMeanwhileIsSaidAndNothingTakenUp(): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        $this->world->settleOwed->settle(World::account(), new EntryId('settled'), $owed->id, OwedState::Answered);
        $seen = new Claim($this->conversation->id, $this->conversation->revision());
        $this->world->decide(new Archive(), [$this->conversation]);
        try {
            $this->world->settleOwed->takeUp(World::account(), new EntryId('again'), $owed->id, $this->at('2026-11-28T09:00:00Z'), $seen);
            self::fail('It was archived since.');
        } catch (Overtaken $overtaken) {
            self::assertSame('Slates', $overtaken->subject);
        }
        self::assertFalse($owed->isOpen());
    }

    public function testNothingIsTakenUpUntilWhatIsPast(): void
    {
        $owed = $this->handOver('Petra', 'the slates');
        $this->world->settleOwed->settle(World::account(), new EntryId('settled'), $owed->id, OwedState::Answered);
        $before = $this->world->state();
        foreach (['2026-11-24T09:59:00Z', '2026-11-24T10:00:00Z'] as $past) {
            try {
                $this->world->settleOwed->takeUp(World::account(), new EntryId('again'), $owed->id, $this->at($past));
                self::fail('It is past.');
            } catch (Refused $refused) {
                self::assertSame('until', $refused->field);
            }
        }
        self::assertSame($before, $this->world->state());
    }

    public function testWhatIsNotThereIsSaid(): void
    {
        $until = $this->at('2026-11-28T09:00:00Z');
        foreach ([
            fn () => $this->world->settleOwed->settle(World::account(), new EntryId('a'), 'nothing', OwedState::Answered),
            fn () => $this->world->settleOwed->move(World::account(), new EntryId('b'), 'nothing', $until),
            fn () => $this->world->settleOwed->takeUp(World::account(), new EntryId('c'), 'nothing', $until),
        ] as $step) {
            try {
                $step();
                self::fail('There is no such thing.');
            } catch (NotFound $problem) {
                self::assertStringStartsWith('This answer is not here any more.', $problem->getMessage());
            }
        }
    }

    /** @return iterable<string, array{Address, Address, bool}> */
    public static function senders(): iterable
    {
        $petra = new Address('petra@roofs.example', 'Petra Lindqvist');
        yield 'by the address' => [$petra, new Address('Petra@Roofs.example', 'P. L.'), true];
        yield 'another of the same name' => [$petra, new Address('petra@elsewhere.example', 'Petra Lindqvist'), false];
        yield 'by the name where nothing else is known' => [
            new Address('', 'Petra Lindqvist'),
            new Address('p@x.example', 'petra lindqvist'),
            true,
        ];
        yield 'another name' => [new Address('', 'Petra'), new Address('petra@roofs.example', 'Petra Lindqvist'), false];
    }

    #[DataProvider('senders')]
    public function testWhoOwesIt(Address $person, Address $sender, bool $isIt): void
    {
        self::assertSame($isIt, $this->owed($person)->isOwedBy($sender));
    }

    public function testWhatIsOwedIsOneLineOfBearableLength(): void
    {
        self::assertSame('the slates and nails', $this->owed(what: "  the slates\n\t and  nails ")->what());
        self::assertSame(Owed::WHAT_LENGTH, mb_strlen($this->owed(what: str_repeat('ä', Owed::WHAT_LENGTH))->what()));
        $this->expectException(Refused::class);
        $this->owed(what: str_repeat('ä', Owed::WHAT_LENGTH + 1));
    }

    public function testOnlyTheFirstSettlingCounts(): void
    {
        $owed = $this->owed();
        $owed->settle(OwedState::Undelivered, new \DateTimeImmutable('2026-11-24T11:00:00Z'));
        $owed->settle(OwedState::Answered, new \DateTimeImmutable('2026-11-24T12:00:00Z'));
        self::assertSame(
            [OwedState::Undelivered, '2026-11-24T11:00:00+00:00'],
            [$owed->owedState(), $owed->state()['settledAt']],
        );
    }

    public function testItsStateIsAllOfIt(): void
    {
        $owed = $this->owed(new Address('petra@roofs.example', 'Petra'), 'the slates');
        $owed->noteAutomaticAnswer(new \DateTimeImmutable('2026-11-24T10:30:00Z'));
        $open = $owed->state();
        $owed->settle(OwedState::Answered, new \DateTimeImmutable('2026-11-24T11:00:00Z'));
        $owed->moveTo($this->at('2026-12-24T11:00:00Z'));
        $owed->belongsTo(new ConversationId('another'));
        $settled = $owed->state();
        $owed->restore($open);
        self::assertSame($open, $owed->state());
        $owed->restore($settled);
        self::assertSame($settled, $owed->state());
        self::assertSame(['owed', 'o'], [$owed->ref()->kind->value, $owed->ref()->id]);
    }

    private function owed(Address $person = new Address('', 'Petra'), string $what = ''): Owed
    {
        return new Owed(
            'o',
            World::account(),
            $person,
            $what,
            $this->at('2026-11-27T12:00:00Z'),
            $this->conversation->id,
            null,
            null,
            new \DateTimeImmutable('2026-11-24T10:00:00Z'),
        );
    }

    private function handOver(string $to, string $what, string $until = '2026-11-27T12:00:00Z'): Owed
    {
        $known = array_keys($this->world->memory->owed);
        $this->world->decide(new HandOver($to, $what, $this->at($until)), [$this->conversation]);
        $new = array_values(array_diff_key($this->world->memory->owed, array_flip($known)));
        self::assertCount(1, $new);

        return $new[0];
    }

    private function newest(): Entry
    {
        return array_values($this->world->memory->entries)[\count($this->world->memory->entries) - 1];
    }

    private function at(string $instant): Moment
    {
        return new Moment(new \DateTimeImmutable($instant), World::zone());
    }

    /** @param callable(): mixed $step */
    private function refused(string $sentence, callable $step): void
    {
        try {
            $step();
            self::fail('It should be refused: '.$sentence);
        } catch (Refused $refused) {
            self::assertSame($sentence, $refused->getMessage());
        }
    }
}
