<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Lists;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Lists\Card;
use ZippyTray\Core\Lists\PutIntoLists;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

/**
 * Conversations that belong to lists, wherever they are.
 */
final class PutIntoListsTest extends TestCase
{
    private World $world;

    protected function setUp(): void
    {
        $this->world = new World();
        foreach (['roof', 'lantern', 'shed'] as $name) {
            $this->list($name);
        }
    }

    public function testTheyArePutInAndTakenOutAndEachIsUndone(): void
    {
        $mail = $this->mail('Slates');
        $other = $this->mail('Glass');
        $states = [$this->world->state()];
        $entries = [$this->put([$mail, $other], ['roof', 'lantern'])];
        self::assertSame(['lantern', 'roof'], $this->listsOf($mail));
        self::assertSame(['put_into_list', 2, 'into roof, into lantern'], [
            $entries[0]->kind->value, $entries[0]->things, $entries[0]->consequence,
        ]);
        $states[] = $this->world->state();
        $entries[] = $this->put([$mail], ['shed'], ['roof', 'lantern']);
        self::assertSame([['shed'], ['lantern', 'roof']], [$this->listsOf($mail), $this->listsOf($other)]);
        foreach (array_reverse($entries, true) as $number => $entry) {
            $this->world->undo($entry);
            self::assertEquals($states[$number], $this->world->state());
        }
    }

    public function testWhatIsInAListAlreadyStaysAsItIs(): void
    {
        $mail = $this->mail('Slates');
        $this->put([$mail], ['roof']);
        $before = $this->world->memory->cards;
        $this->put([$mail], ['roof']);
        $this->put([$mail], [], ['shed']);
        self::assertEquals($before, $this->world->memory->cards);
    }

    public function testBelongingToAListIsNoPlace(): void
    {
        $mail = $this->mail('Slates');
        $archived = $this->world->decide(new Archive(), [$this->world->memory->conversations[$mail->text]]);
        $this->put([$mail], ['roof']);
        $now = $this->world->clock->now();
        self::assertSame(Place::Archive, $this->world->memory->conversations[$mail->text]->placeAt($now));
        $this->world->undo($archived);
        self::assertSame(['roof'], $this->listsOf($mail), 'What was decided is undone apart from it.');
        self::assertSame(Place::Tray, $this->world->memory->conversations[$mail->text]->placeAt($now));
    }

    public function testAListThatIsDeletedHoldsNothingAndUndoneHoldsItAgain(): void
    {
        $mail = $this->mail('Slates');
        $this->put([$mail], ['roof', 'shed']);
        $entry = $this->world->changeLists->delete(World::account(), new EntryId('delete'), new ListId('roof'), null);
        self::assertSame(['shed'], $this->listsOf($mail));
        $this->world->undo($entry);
        self::assertSame(['roof', 'shed'], $this->listsOf($mail));
    }

    public function testNonsenseIsRefusedAndNothingIsDone(): void
    {
        $mail = $this->mail('Slates');
        foreach (range(1, PutIntoLists::MOST) as $number) {
            $this->list('list '.$number);
        }
        $many = array_map(static fn (int $number): string => 'list '.$number, range(1, PutIntoLists::MOST));
        foreach ([
            [[$mail], [], [], Refused::class],
            [[], ['roof'], [], Refused::class],
            [[$mail], ['nowhere'], [], NotFound::class],
            [[new ConversationId('gone')], ['roof'], [], NotFound::class],
            [[$mail], [...$many, 'roof'], [], Refused::class],
        ] as [$conversations, $into, $outOf, $problem]) {
            try {
                $this->put($conversations, $into, $outOf);
                self::fail('It was taken.');
            } catch (Refused|NotFound $thrown) {
                self::assertSame($problem, $thrown::class);
            }
        }
        $this->put([$mail], $many);
        self::assertCount(PutIntoLists::MOST, $this->listsOf($mail));
    }

    private function list(string $name): void
    {
        $this->world->changeLists->add(World::account(), new EntryId('add '.$name), new ListId($name), $name, Colour::Sea);
    }

    private function mail(string $subject): ConversationId
    {
        return $this->world->conversation($subject)->id;
    }

    /**
     * @param list<ConversationId> $conversations
     * @param list<string>         $into
     * @param list<string>         $outOf
     */
    private function put(array $conversations, array $into, array $outOf = []): Entry
    {
        return ($this->world->putIntoLists)(
            World::account(),
            new EntryId($this->world->ids->next()),
            $conversations,
            self::ids($into),
            self::ids($outOf),
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return list<ListId>
     */
    private static function ids(array $ids): array
    {
        return array_map(static fn (string $id): ListId => new ListId($id), $ids);
    }

    /** @return list<string> in order */
    private function listsOf(ConversationId $conversation): array
    {
        $cards = array_filter($this->world->memory->cards, static fn (Card $card): bool => $card->conversationId()->is($conversation));
        $lists = array_map(static fn (Card $card): string => $card->listId()->text, array_values($cards));
        sort($lists);

        return $lists;
    }
}
