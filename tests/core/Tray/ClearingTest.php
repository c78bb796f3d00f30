<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Overtaken;
use ZippyTray\Core\Tray\Pace;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

final class ClearingTest extends TestCase
{
    public function testNothingIsDecidedTwiceAndWhatHappenedIsTold(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $seen = new Claim($conversation->id, $conversation->revision());
        $archived = ($world->decide)(World::account(), new EntryId('one'), new Archive(), [$seen])->entry;

        try {
            ($world->decide)(World::account(), new EntryId('two'), new Delete(), [$seen]);
            self::fail('It was decided twice.');
        } catch (Overtaken $overtaken) {
            self::assertSame($archived, $overtaken->entry);
            self::assertStringContainsString('"Lantern glass" has been decided meanwhile', $overtaken->getMessage());
        }
        self::assertSame(Place::Archive, $conversation->placeAt($world->clock->now()));
        self::assertSame(
            $archived,
            ($world->decide)(World::account(), new EntryId('one'), new Archive(), [$seen])->entry,
            'The same request again is answered as before.',
        );
    }

    public function testAMessageThatCameInMeanwhileIsNotBuried(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $seen = new Claim($conversation->id, $conversation->revision());
        $conversation->receive($world->message(text: 'One more thing: could you call me?'), true, $world->clock->now());

        $this->expectException(Overtaken::class);
        $this->expectExceptionMessage('A message has come into "Lantern glass" meanwhile');
        ($world->decide)(World::account(), new EntryId('one'), new Archive(), [$seen]);
    }

    public function testOfManyOnlyTheOvertakenOnesAreLeftAsTheyAre(): void
    {
        $world = new World();
        [$first, $second] = [$world->conversation('First'), $world->conversation('Second')];
        $claims = [new Claim($first->id, $first->revision()), new Claim($second->id, $second->revision())];
        $world->decide(new Delete(), [$first]);

        $decided = ($world->decide)(World::account(), new EntryId('both'), new Archive(), $claims);
        self::assertSame(['Second'], [$decided->entry->about]);
        self::assertSame(
            [$first->id->text],
            array_map(static fn (Overtaken $overtaken): string => $overtaken->conversationId->text, $decided->overtaken),
        );
        self::assertSame([Place::Bin, Place::Archive], [$first->placeAt($world->clock->now()), $second->placeAt($world->clock->now())]);
    }

    public function testNoTaskIsMadeOfWhatWasDecidedElsewhere(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $order = new TaskOrder(
            new TaskId('task'),
            new TaskFields('Choose the glass'),
            claim: new Claim($conversation->id, $conversation->revision()),
        );
        $world->decide(new Archive(), [$conversation]);

        $this->expectException(Overtaken::class);
        try {
            ($world->makeTasks)(World::account(), new EntryId('task entry'), [$order], World::zone());
        } finally {
            self::assertSame([], $world->memory->tasks);
        }
    }

    public function testUndoingMakesAnOlderSightOfItOldToo(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $before = $conversation->revision();
        $world->undo($world->decide(new Archive(), [$conversation]));
        self::assertGreaterThan($before, $conversation->revision());
    }

    public function testDoneAtOnceIsRememberedAsThat(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        self::assertSame(EntryKind::DoNow, $world->decide(new DoNow(), [$conversation])->kind);
        self::assertSame(['archive', 'now'], [$conversation->state()['place'], $conversation->state()['decidedAs']]);
    }

    public function testAMutedConversationStaysOutWhateverArrivesUntilItIsBroughtBack(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $mute = $world->decide(new Mute(), [$conversation]);
        $conversation->receive($world->message(text: 'And another thing.'), true, $world->clock->now());
        self::assertSame(Place::Archive, $conversation->placeAt($world->clock->now()));

        $world->undo($mute);
        self::assertSame(Place::Tray, $conversation->placeAt($world->clock->now()));
        self::assertFalse($conversation->isMuted());
    }

    public function testAHandOverComesBackAtItsMomentOrWithAnAnswer(): void
    {
        $world = new World('2026-11-24T10:00:00Z');
        [$silent, $answered] = [$world->conversation('Silent'), $world->conversation('Answered')];
        $entry = $world->decide(new HandOver(' Petra ', 'the rota', self::moment('2026-11-27T09:00:00Z')), [$silent, $answered]);
        self::assertSame('Petra owes you an answer by Fri 27 Nov 2026, 09:00', $entry->consequence);
        self::assertSame(['Petra', 'the rota'], [$silent->state()['owedBy'], $silent->state()['owedWhat']]);

        $answered->receive($world->message(text: 'Here it is.'), true, $world->clock->now());
        self::assertSame(Place::Tray, $answered->placeAt($world->clock->now()));
        self::assertSame(
            ['away', 'message', 'Petra'],
            [$answered->state()['place'], $answered->state()['calledBackBy'], $answered->state()['owedBy']],
            'What was owed is not forgotten.',
        );
        self::assertSame(Place::Away, $silent->placeAt(new \DateTimeImmutable('2026-11-27T08:59:59Z')));
        self::assertSame(Place::Tray, $silent->placeAt(new \DateTimeImmutable('2026-11-27T09:00:00Z')));
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function badHandOvers(): iterable
    {
        yield 'nobody' => ['  ', 'x', '2026-11-27T09:00:00Z', 'Who owes you'];
        yield 'in the past' => ['Petra', 'x', '2026-11-24T09:00:00Z', 'already past'];
        yield 'a novel' => ['Petra', str_repeat('x', 201), '2026-11-27T09:00:00Z', 'at most'];
    }

    #[DataProvider('badHandOvers')]
    public function testAHandOverThatMakesNoSenseIsRefused(string $by, string $what, string $until, string $sentence): void
    {
        $world = new World('2026-11-24T10:00:00Z');
        $conversation = $world->conversation();
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($sentence);
        $world->decide(new HandOver($by, $what, self::moment($until)), [$conversation]);
    }

    public function testABlockedSenderIsOutWithAllThatWaitsAndAllThatComes(): void
    {
        $world = new World();
        [$one, $other] = [$world->conversation('One'), $world->conversation('Other')];
        $entry = ($world->block)(World::account(), new EntryId('block'), [new Claim($one->id)], false, World::recipient()->person)->entry;
        self::assertSame('mail from tam@glass.example goes to Blocked', $entry->consequence);
        self::assertSame([Place::Blocked, Place::Blocked], [$one->placeAt($world->clock->now()), $other->placeAt($world->clock->now())]);

        $new = self::receive($world, 'Tam <TAM@glass.example>', 'New');
        $friend = self::receive($world, 'Ada <ada@quill.example>', 'Friend');
        self::assertSame([Place::Blocked, Place::Tray], [$new->placeAt($world->clock->now()), $friend->placeAt($world->clock->now())]);

        $world->undo($entry);
        self::assertSame([Place::Tray, Place::Tray], [$one->placeAt($world->clock->now()), $other->placeAt($world->clock->now())]);
        self::assertSame(Place::Tray, self::receive($world, 'Tam <tam@glass.example>', 'Newer')->placeAt($world->clock->now()));
    }

    public function testAWholeDomainIsBlockedWithWhatIsBelowItAndLetInAgain(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        ($world->block)(World::account(), new EntryId('block'), [new Claim($conversation->id)], true, World::recipient()->person);
        $below = self::receive($world, 'News <news@mail.glass.example>', 'Below');
        $beside = self::receive($world, 'Other <x@notglass.example>', 'Beside');
        self::assertSame([Place::Blocked, Place::Tray], [$below->placeAt($world->clock->now()), $beside->placeAt($world->clock->now())]);

        $sender = array_key_first($world->memory->senders);
        self::assertNotNull($sender);
        $world->block->unblock(World::account(), new EntryId('unblock'), $sender, true);
        self::assertSame([], $world->memory->senders);
        self::assertSame([Place::Tray, Place::Tray], [$conversation->placeAt($world->clock->now()), $below->placeAt($world->clock->now())]);
    }

    public function testAConversationWithOthersInItIsNotTakenAlong(): void
    {
        $world = new World();
        [$blocked, $shared] = [$world->conversation('Blocked'), $world->conversation('Shared')];
        $raw = "From: Ada <ada@quill.example>\r\nTo: ".World::OWN."\r\nSubject: Re: Shared\r\nMessage-ID: <ada@quill.example>\r\n\r\n"
            ."I am here, too.\r\n";
        $other = ($world->arrive)(World::recipient(), $raw);
        self::assertNotNull($other);
        $world->memory->conversationOf[$other->id->text] = $shared->id->text;
        ($world->block)(World::account(), new EntryId('block'), [new Claim($blocked->id)], false, World::recipient()->person);
        self::assertSame(Place::Tray, $shared->placeAt($world->clock->now()));
    }

    /** @return iterable<string, array{string, bool, string}> */
    public static function themselves(): iterable
    {
        yield 'their domain' => ['petra@ternpoint.example', true, 'ternpoint.example is your own domain'];
        yield 'the domain of another address of theirs' => ['tam@holt.example', true, 'holt.example is your own domain'];
        yield 'another address of theirs' => ['wren@holt.example', false, 'You cannot block yourself'];
    }

    #[DataProvider('themselves')]
    public function testNobodyBlocksThemselves(string $from, bool $wholeDomain, string $problem): void
    {
        $world = new World();
        $own = self::receive($world, "Colleague <{$from}>", 'From the office');
        $person = new Person(World::OWN, others: ['Wren@Holt.example']);
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($problem);
        ($world->block)(World::account(), new EntryId('block'), [new Claim($own->id)], $wholeDomain, $person);
    }

    public function testWhatWouldBeBlockedUnder(): void
    {
        self::assertSame(['a@x.y.example', '@x.y.example', '@y.example'], BlockedSender::patternsFor('A@X.Y.example'));
        self::assertSame([], BlockedSender::patternsFor(''));
    }

    public function testATouchCountsOnceInAClearingAndOnlyInTheTray(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        ($world->passOver)(World::account(), $conversation->id, 'first');
        ($world->passOver)(World::account(), $conversation->id, 'first');
        ($world->passOver)(World::account(), $conversation->id, 'second');
        self::assertCount(2, $world->memory->touches[$conversation->id->text]);
        $world->decide(new Archive(), [$conversation]);
        ($world->passOver)(World::account(), $conversation->id, 'third');
        self::assertCount(2, $world->memory->touches[$conversation->id->text]);
    }

    /** @return iterable<string, array{list<int>, float}> seconds between decisions => the pace */
    public static function paces(): iterable
    {
        yield 'nothing is known' => [[], 25.0];
        yield 'ten are enough' => [array_fill(0, 10, 8), 8.0];
        yield 'fewer count in part' => [array_fill(0, 5, 5), 15.0];
        yield 'a lunch in between does not count' => [[...array_fill(0, 10, 8), 3600], 8.0];
        yield 'nobody takes no time' => [array_fill(0, 20, 0), 1.0];
    }

    /** @param list<int> $gaps */
    #[DataProvider('paces')]
    public function testThePersonsOwnPace(array $gaps, float $pace): void
    {
        $at = new \DateTimeImmutable('2026-11-24T10:00:00Z');
        $decisions = [['clearing' => 'one', 'at' => $at]];
        foreach ($gaps as $gap) {
            $at = $at->modify("+{$gap} seconds");
            $decisions[] = ['clearing' => 'one', 'at' => $at];
        }
        self::assertSame($pace, Pace::of([['clearing' => 'another', 'at' => $at->modify('-1 hour')], ...$decisions]));
    }

    private static function receive(World $world, string $from, string $subject): Conversation
    {
        $message = ($world->arrive)(
            World::recipient(),
            "From: {$from}\r\nTo: ".World::OWN."\r\nSubject: {$subject}\r\nMessage-ID: <{$subject}@test.example>\r\n\r\n"
                ."Text of {$subject}.\r\n",
        );
        self::assertNotNull($message);

        return $world->memory->conversations[$world->memory->conversationOf[$message->id->text]];
    }

    private static function moment(string $instant): Moment
    {
        return new Moment(new \DateTimeImmutable($instant), new \DateTimeZone('UTC'));
    }
}
