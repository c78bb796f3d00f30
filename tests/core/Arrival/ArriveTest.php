<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Arrival;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

final class ArriveTest extends TestCase
{
    public function testAReplyJoinsItsConversationAndBringsItBack(): void
    {
        $world = new World();
        $this->receive($world, 'a');
        $conversation = $this->only($world);
        $world->decide(new Archive(), [$conversation]);

        $this->receive($world, 'b', references: ['a']);

        self::assertSame($conversation, $this->only($world));
        self::assertSame(Place::Tray, $conversation->placeAt($world->clock->now()));
        self::assertCount(2, $world->memory->messages);
    }

    public function testAReplyBringsBackEvenWhatWasDeleted(): void
    {
        $world = new World();
        $this->receive($world, 'a');
        $conversation = $this->only($world);
        $world->decide(new Delete(), [$conversation]);
        $this->receive($world, 'b', references: ['a']);

        self::assertSame(Place::Tray, $conversation->placeAt($world->clock->now()));
        self::assertNull($conversation->binnedAt());
    }

    public function testOnesOwnMessageBringsNothingBackAndOpensNoConversationInTheTray(): void
    {
        $world = new World();
        $this->receive($world, 'a');
        $conversation = $this->only($world);
        $world->decide(new Archive(), [$conversation]);
        $this->receive($world, 'b', from: World::OWN, references: ['a']);
        self::assertSame(Place::Archive, $conversation->placeAt($world->clock->now()));

        $this->receive($world, 'c', from: World::OWN);
        foreach ($world->memory->conversations as $each) {
            self::assertSame(Place::Archive, $each->placeAt($world->clock->now()));
        }
    }

    public function testOldMailCanComeStraightIntoTheArchive(): void
    {
        $world = new World();
        ($world->arrive)(World::recipient(), $this->source('a', 'tam@glass.example', []), Place::Archive);

        self::assertSame(Place::Archive, $this->only($world)->placeAt($world->clock->now()));
    }

    public function testTheSameMessageIsTakenOnceWhateverItsLineEndsAndTrace(): void
    {
        $world = new World();
        $source = $this->source('a', 'tam@glass.example', []);
        self::assertNotNull(($world->arrive)(World::recipient(), $source));
        self::assertNull(($world->arrive)(World::recipient(), $source));
        self::assertNull(($world->arrive)(World::recipient(), "Received: from a by b\n".$source."\n\n"));
        self::assertNotNull(($world->arrive)(World::recipient(), $source.'More.'));
    }

    public function testWhatWasRemovedForGoodIsFetchedNoMoreButMayBeImportedAgain(): void
    {
        $world = new World();
        $source = $this->source('a', 'tam@glass.example', []);
        ($world->arrive)(World::recipient(), $source);
        $world->decide(new Delete(), [$this->only($world)]);
        ($world->emptyBin)(World::account(), new EntryId($world->ids->next()));

        self::assertNull(($world->arrive)(World::recipient(), $source, again: false));
        self::assertNotNull(
            ($world->arrive)(World::recipient(), $this->source('b', 'tam@glass.example', []), again: false),
            'Another one is no trouble.',
        );
        self::assertNotNull(($world->arrive)(World::recipient(), $source));
    }

    public function testOnlyWhatIsToBeDecidedIsLookedThroughForAdvice(): void
    {
        $world = new World();
        $tray = ($world->arrive)(World::recipient(), $this->source('a', 'tam@glass.example', []));
        ($world->arrive)(World::recipient(), $this->source('b', World::OWN, []));
        ($world->arrive)(World::recipient(), $this->source('c', 'tam@glass.example', []), Place::Archive);
        self::assertSame([$tray?->id->text], array_keys($world->memory->findings));

        $later = $world->arrive->keep(
            World::recipient(),
            $world->arrive->read(World::recipient(), $this->source('d', 'tam@glass.example', []), advised: false),
        );
        self::assertSame([$later?->id->text], $world->memory->wanted);
        self::assertCount(1, $world->memory->findings);
    }

    public function testWhatAnotherBroughtInMeanwhileIsKeptOnce(): void
    {
        $world = new World();
        $first = $world->arrive->read(World::recipient(), $this->source('a', 'tam@glass.example', []));
        $second = $world->arrive->read(World::recipient(), $this->source('a', 'tam@glass.example', []));

        self::assertNotNull($world->arrive->keep(World::recipient(), $first));
        self::assertNull($world->arrive->keep(World::recipient(), $second));
        self::assertCount(1, $world->memory->messages);
    }

    public function testAllAddressesOfAPersonAreTheirOwn(): void
    {
        $world = new World();
        $me = new Recipient(World::account(), new Person(World::OWN, others: ['halloran@home.example']));
        $message = ($world->arrive)($me, $this->source('a', 'Halloran@home.example', []));

        self::assertTrue($message?->own);
        self::assertSame(Place::Archive, $this->only($world)->placeAt($world->clock->now()));
    }

    public function testWhatItChangedIsOneEntryThatCanBeUndone(): void
    {
        $world = new World();
        $this->receive($world, 'a');
        $conversation = $this->only($world);
        $world->decide(new Archive(), [$conversation]);
        $this->receive($world, 'b', references: ['a']);

        $arrived = array_filter($world->memory->entries, static fn (Entry $entry): bool => EntryKind::Arrive === $entry->kind);
        self::assertCount(1, $arrived);
        self::assertSame(
            ['Glass', 'tam@glass.example has written: it is in the tray again'],
            [array_values($arrived)[0]->about, array_values($arrived)[0]->consequence],
        );
        $world->undo(array_values($arrived)[0]);
        self::assertSame(Place::Archive, $conversation->placeAt($world->clock->now()));
        self::assertCount(2, $world->memory->messages);
    }

    public function testWhoOwesAnAnswerOwesItInTheConversationThatTheirsIsJoinedTo(): void
    {
        $world = new World();
        $this->receive($world, 'a');
        $this->receive($world, 'c', references: ['x']);
        [$first, $second] = array_values($world->memory->conversations);
        $until = new Moment(new \DateTimeImmutable('2026-12-01T09:00:00Z'), new \DateTimeZone('UTC'));
        $world->decide(new HandOver('Ilse <ilse@x.example>', 'the panes', $until), [$first]);
        $world->decide(new HandOver('Petra <petra@x.example>', 'the frame', $until), [$second]);
        $this->receive($world, 'x', references: ['a']);

        $left = $this->only($world)->id;
        self::assertSame(
            [$left->text, $left->text],
            array_values(array_map(static fn (Owed $owed): ?string => $owed->conversationId()?->text, $world->memory->owed)),
        );
    }

    public function testAnAutomaticAnswerIsNotedAndIsNone(): void
    {
        $world = new World();
        $this->receive($world, 'a');
        $until = new Moment(new \DateTimeImmutable('2026-12-01T09:00:00Z'), new \DateTimeZone('UTC'));
        $world->decide(new HandOver('Tam <tam@glass.example>', 'the panes', $until), [$this->only($world)]);
        ($world->arrive)(
            World::recipient(),
            str_replace('Subject:', "Auto-Submitted: auto-replied\nSubject:", $this->source('b', 'tam@glass.example', ['a'])),
        );

        $owed = array_values($world->memory->owed)[0];
        self::assertSame([true, true], [$owed->isOpen(), null !== $owed->state()['automaticAt']]);
        $last = array_values($world->memory->entries)[\count($world->memory->entries) - 1];
        self::assertSame([EntryKind::Arrive, 'an automatic answer came from Tam'], [$last->kind, $last->consequence]);
        self::assertSame(Place::Away, $this->only($world)->placeAt($world->clock->now()));
    }

    public function testWhatIsNoMessageIsRefusedAndNothingIsStored(): void
    {
        $world = new World();
        $this->expectException(UnreadableMessage::class);
        try {
            ($world->arrive)(World::recipient(), 'no header here');
        } finally {
            self::assertSame([], $world->memory->messages);
        }
    }

    /** @return iterable<string, array{list<string>}> */
    public static function orders(): iterable
    {
        foreach (['abcd', 'dcba', 'bdac', 'cabd', 'dacb', 'adbc'] as $order) {
            yield $order => [str_split($order)];
        }
    }

    /**
     * a is answered by b and c; d answers c, but names only a message that never came, which c names too.
     *
     * @param list<string> $order
     */
    #[DataProvider('orders')]
    public function testConversationsDoNotDependOnTheOrderOfArrival(array $order): void
    {
        $references = ['a' => [], 'b' => ['a'], 'c' => ['a', 'lost'], 'd' => ['lost']];
        $world = new World();
        foreach ($order as $id) {
            $this->receive($world, $id, references: $references[$id]);
        }
        $this->receive($world, 'other');

        self::assertCount(2, $world->memory->conversations);
        self::assertSame([1, 4], (static function (array $counts): array {
            sort($counts);

            return $counts;
        })(array_count_values($world->memory->conversationOf)));
    }

    /** By its subject alone a letter was taken for an answer; what it does answer comes late, and is about something else. */
    public function testWhatIsPartedStaysWhereItWas(): void
    {
        $world = new World();
        $bring = static fn (string $id, int $hour, string $subject, string $more = ''): mixed => ($world->arrive)(
            World::recipient(),
            "From: <tam@glass.example>\nSubject: {$subject}\nDate: Tue, 24 Nov 2026 0{$hour}:00:00 +0000\n"
                ."Message-ID: <{$id}@x.example>\n{$more}\nText.",
        );
        $bring('first', 8, 'Glass');
        $bring('answer', 9, 'Re: Glass', "References: <late@x.example>\n");
        $one = $this->only($world);
        $world->decide(new Archive(), [$one]);
        $state = $one->state();
        $bring('late', 7, 'Tiles');
        self::assertCount(2, $world->memory->conversations);
        $places = $decided = [];
        foreach ($world->memory->messages as $id => $message) {
            $conversation = $world->memory->conversations[$world->memory->conversationOf[$id]];
            $places[$message->messageHeader] = $conversation->placeAt($world->clock->now());
            $decided[$message->messageHeader] = $conversation->state()['decidedAs'];
        }
        self::assertSame(
            ['first@x.example' => Place::Archive, 'answer@x.example' => Place::Tray, 'late@x.example' => Place::Tray],
            $places,
        );
        self::assertSame(array_fill_keys(array_keys($places), $state['decidedAs']), $decided, 'What was decided is known of both.');
    }

    /** @param list<string> $references */
    private function receive(World $world, string $id, string $from = 'tam@glass.example', array $references = []): void
    {
        ($world->arrive)(World::recipient(), $this->source($id, $from, $references));
    }

    /** @param list<string> $references */
    private function source(string $id, string $from, array $references): string
    {
        $named = implode(' ', array_map(static fn (string $reference): string => '<'.$reference.'@glass.example>', $references));

        return "From: <{$from}>\nSubject: Glass\nDate: Tue, 24 Nov 2026 08:00:00 +0000\nMessage-ID: <{$id}@glass.example>\n"
            .('' === $named ? '' : "References: {$named}\n")."\nText of {$id}.";
    }

    private function only(World $world): Conversation
    {
        self::assertCount(1, $world->memory->conversations);

        return array_values($world->memory->conversations)[0];
    }
}
