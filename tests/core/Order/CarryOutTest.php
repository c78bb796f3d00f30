<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Order;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Order\Arrived;
use ZippyTray\Core\Order\Condition;
use ZippyTray\Core\Order\MessageFacts;
use ZippyTray\Core\Order\OrderId;
use ZippyTray\Core\Order\Outcome;
use ZippyTray\Core\Order\UndoOrders;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Stamp\StampHand;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

final class CarryOutTest extends TestCase
{
    private const NEWS = ['test' => 'from', 'is' => 'news@gulls.example'];

    public function testTheyAreCarriedOutInOrderEachUnderItsName(): void
    {
        $world = new World();
        self::order($world, 'Money', ['test' => 'subject', 'is' => 'invoice'], [new StampStep(StepKind::Label, ['money'])]);
        self::order($world, 'Gulls', self::NEWS, [new StampStep(StepKind::Label, ['gulls']), new StampStep(StepKind::Archive)]);
        self::order($world, 'Other', ['test' => 'known', 'is' => 'known'], [new StampStep(StepKind::Delete)]);
        $message = self::letter($world, 'news@gulls.example', 'Invoice');
        $before = $world->state();
        $outcomes = self::arrives($world, $message);
        self::assertSame(['Money', 'Gulls'], self::names($outcomes));
        self::assertSame(['Invoice', 'Gulls'], [$outcomes[1]->entry?->about, $outcomes[1]->entry?->consequence]);
        $conversation = self::conversation($world, $message);
        self::assertSame(['gulls', 'money'], $world->labelsOn($conversation));
        self::assertSame(Place::Archive, $conversation->placeAt($world->clock->now()));
        self::assertSame([false, true], array_column($world->memory->effects, 'past'));
        foreach (array_reverse($outcomes) as $outcome) {
            $world->undo($outcome->entry ?? throw new \LogicException('It did nothing.'));
        }
        self::assertSame($before, $world->state());
    }

    public function testOnceForEachMessageHoweverOftenItIsTried(): void
    {
        $world = new World();
        self::order($world, 'Task', self::NEWS, [new StampStep(StepKind::Task, line: '{subject}')]);
        $message = self::letter($world, 'news@gulls.example', 'Gulls');
        foreach ([1, 2] as $time) {
            self::arrives($world, $message);
            self::assertCount(1, $world->memory->tasks, 'Time '.$time);
        }
    }

    public function testTheLastOneEndsItAndOneAtRestDoesNothing(): void
    {
        $world = new World();
        self::order($world, 'Rests', self::NEWS, [new StampStep(StepKind::Delete)], on: false);
        self::order($world, 'Last', self::NEWS, [new StampStep(StepKind::Read)], last: true);
        self::order($world, 'Behind', self::NEWS, [new StampStep(StepKind::Delete)]);
        $message = self::letter($world, 'news@gulls.example', 'Gulls');
        self::assertSame(['Last'], self::names(self::arrives($world, $message)));
        self::assertSame(Place::Tray, self::conversation($world, $message)->placeAt($world->clock->now()));
    }

    public function testOneThatCannotBeCarriedOutLeavesNothingBehindAndTheOthersGoOn(): void
    {
        $world = new World();
        self::order($world, 'Past', self::NEWS, [
            new StampStep(StepKind::Label, ['lost']),
            new StampStep(StepKind::Snooze, until: '26 nov 2026 at 9'),
        ]);
        self::order($world, 'Fine', self::NEWS, [new StampStep(StepKind::Archive)]);
        $world->clock->set('2026-12-01T10:00:00Z');
        $message = self::letter($world, 'news@gulls.example', 'Gulls');
        $outcomes = self::arrives($world, $message);
        self::assertNull($outcomes[0]->entry);
        self::assertNotSame('', $outcomes[0]->trouble);
        self::assertNotNull($outcomes[1]->entry);
        self::assertSame([[], []], [$world->labelsOn(self::conversation($world, $message)), $world->memory->labels]);
    }

    /** @return iterable<string, array{\Closure(World, Message): mixed, bool}> what came before, whether it may decide */
    public static function circumstances(): iterable
    {
        $until = static fn (World $world): Moment => new Moment($world->clock->now()->modify('+1 minute'), World::zone());
        yield 'nothing' => [static fn (): bool => true, true];
        yield 'it was decided meanwhile' => [
            static fn (World $world, Message $message): Entry => $world->decide(new Archive(), [self::conversation($world, $message)]),
            false,
        ];
        yield 'it has come back' => [
            static function (World $world, Message $message) use ($until): void {
                $world->decide(new Snooze($until($world)), [self::conversation($world, $message)]);
                $world->clock->set('2026-11-24T11:00:00Z');
            },
            false,
        ];
    }

    /** @param \Closure(World, Message): mixed $before */
    #[DataProvider('circumstances')]
    public function testWhatAPersonDecidedIsNotDecidedAgain(\Closure $before, bool $decides): void
    {
        $world = new World();
        self::order($world, 'Gulls', self::NEWS, [new StampStep(StepKind::Label, ['gulls']), new StampStep(StepKind::Delete)]);
        $message = self::letter($world, 'news@gulls.example', 'Gulls');
        $before($world, $message);
        self::arrives($world, $message);
        $conversation = self::conversation($world, $message);
        self::assertSame(
            [['gulls'], $decides],
            [$world->labelsOn($conversation), Place::Bin === $conversation->placeAt($world->clock->now())],
        );
    }

    public function testAnotherUndecidedMessageBesideItIsNotTakenAlong(): void
    {
        $world = new World();
        self::order($world, 'Gulls', self::NEWS, [new StampStep(StepKind::Archive)]);
        $message = self::letter($world, 'news@gulls.example', 'Gulls');
        foreach ([[new MessageFacts('olga@roofs.example'), 0], [new MessageFacts('news@gulls.example'), 1]] as [$beside, $entries]) {
            $outcomes = self::arrives($world, $message, beside: [$beside]);
            self::assertCount($entries, array_filter(array_map(static fn (Outcome $one): ?Entry => $one->entry, $outcomes)));
        }
    }

    public function testWhatThePersonSentIsNotTouched(): void
    {
        $world = new World();
        self::order($world, 'Anything', ['test' => 'none', 'of' => [self::NEWS]], [new StampStep(StepKind::Delete)]);
        self::assertSame([], self::arrives($world, self::letter($world, World::OWN, 'Mine')));
    }

    /** @return iterable<string, array{string, string, bool}> sender, more of the header, whether it is answered */
    public static function answered(): iterable
    {
        yield 'somebody' => ['olga@roofs.example', '', true];
        yield 'a list' => ['olga@roofs.example', "List-Id: <keepers.lights.example>\n", false];
        yield 'a bulk letter' => ['olga@roofs.example', "Precedence: bulk\n", false];
        yield 'one to unsubscribe from' => ['olga@roofs.example', "List-Unsubscribe: <https://x.example>\n", false];
        yield 'an automatic answer' => ['olga@roofs.example', "Auto-Submitted: auto-replied\n", false];
        yield 'a program' => ['olga@roofs.example', "Auto-Submitted: auto-generated\n", false];
        yield 'who reads nothing' => ['no-reply@roofs.example', '', false];
        yield 'a report of delivery' => ['MAILER-DAEMON@roofs.example', '', false];
        yield 'a list owner' => ['owner-keepers@lights.example', '', false];
    }

    #[DataProvider('answered')]
    public function testOnlyAPersonIsAnsweredByItself(string $from, string $header, bool $answered): void
    {
        $world = new World();
        $world->keepTemplates->add(World::account(), new EntryId('t'), 'thanks', 'Thanks', '', 'Thank you.', false);
        $thanks = new StampStep(StepKind::Answer, template: 'thanks', send: true);
        self::order($world, 'Thanks', ['test' => 'words', 'is' => 'text'], [$thanks]);
        self::arrives($world, self::letter($world, $from, 'Hello', $header));
        self::assertCount((int) $answered, $world->memory->outgoings);
    }

    public function testAPersonIsAnsweredAtMostOnceAWeek(): void
    {
        $world = new World();
        $world->keepTemplates->add(World::account(), new EntryId('t'), 'thanks', 'Thanks', '', 'Thank you.', false);
        $thanks = new StampStep(StepKind::Answer, template: 'thanks', send: true);
        self::order($world, 'Thanks', ['test' => 'words', 'is' => 'text'], [$thanks]);
        foreach ([['2026-11-24', 1], ['2026-11-24', 1], ['2026-11-30', 1], ['2026-12-02', 2]] as $number => [$day, $letters]) {
            $world->clock->set($day.'T1'.$number.':00:00Z');
            self::arrives($world, self::letter($world, 'Olga@roofs.example', 'Hello '.$number));
            self::assertCount($letters, $world->memory->outgoings, $day);
        }
        self::arrives($world, self::letter($world, 'petra@x.example', 'Hello'));
        self::assertCount(3, $world->memory->outgoings, 'Another person is another one.');
    }

    public function testAllOfADayIsTakenBackWithoutWhatCannotBe(): void
    {
        $world = new World();
        self::order($world, 'Gulls', self::NEWS, [new StampStep(StepKind::Delete)]);
        $entries = [];
        $messages = [];
        foreach (['One', 'Two', 'Three'] as $subject) {
            $messages[] = $message = self::letter($world, 'news@gulls.example', $subject);
            $entries[] = self::arrives($world, $message)[0]->entry->id ?? throw new \LogicException($subject);
        }
        $world->decide(new Archive(), [self::conversation($world, $messages[1])]);
        [$undone, $left] = (new UndoOrders($world->undo, $world->ids))(World::account(), array_reverse($entries));
        self::assertSame([2, 1], [$undone, \count($left)]);
    }

    public function testOrdersAreGivenMovedTurnedAndTakenBackUndoably(): void
    {
        $world = new World();
        $states = [$world->state()];
        $entries = [];
        $account = World::account();
        foreach (['A', 'B', 'C'] as $name) {
            $entries[] = self::order($world, $name, self::NEWS, [new StampStep(StepKind::Read)]);
            $states[] = $world->state();
        }
        $entries[] = $world->keepOrders->move($account, new EntryId('move'), new OrderId('C'), null);
        $states[] = $world->state();
        self::assertSame(['C', 'A', 'B'], self::inOrder($world));
        $entries[] = $world->keepOrders->move($account, new EntryId('again'), new OrderId('C'), new OrderId('A'));
        $states[] = $world->state();
        self::assertSame(['A', 'C', 'B'], self::inOrder($world));
        $entries[] = $world->keepOrders->turn($account, new EntryId('turn'), new OrderId('C'), false);
        $states[] = $world->state();
        $entries[] = self::order($world, 'C', ['test' => 'attached'], [new StampStep(StepKind::Mute)]);
        $states[] = $world->state();
        $entries[] = $world->keepOrders->delete($account, new EntryId('delete'), new OrderId('B'));
        foreach (array_reverse($entries, true) as $number => $entry) {
            $world->undo($entry);
            self::assertSame($states[$number], $world->state());
        }
    }

    public function testAnOrderNeedsANameAndStepsThatMakeSense(): void
    {
        $world = new World();
        foreach ([['', [new StampStep(StepKind::Read)], 'name'], ['Gulls', [], 'steps'], [
            'Gulls',
            [new StampStep(StepKind::Read), new StampStep(StepKind::Mute), new StampStep(StepKind::Delete)],
            'steps',
        ]] as [$name, $steps, $field]) {
            try {
                self::order($world, $name, self::NEWS, $steps);
                self::fail($field);
            } catch (Refused $refused) {
                self::assertSame($field, $refused->field);
            }
        }
        self::assertSame([], $world->memory->orders);
    }

    /** @return iterable<string, array{list<StampStep>, bool, Place, list<bool>}> steps, urgent, where it is, what went past the tray */
    public static function heldBack(): iterable
    {
        yield 'urgent and no more' => [[], true, Place::Tray, [false]];
        yield 'urgent, and labelled' => [[new StampStep(StepKind::Label, ['now'])], true, Place::Tray, [false]];
        yield 'labelled' => [[new StampStep(StepKind::Label, ['later'])], false, Place::Away, [false]];
        yield 'archived' => [[new StampStep(StepKind::Archive)], false, Place::Archive, [true]];
    }

    /**
     * @param list<StampStep> $steps
     * @param list<bool>      $past
     */
    #[DataProvider('heldBack')]
    public function testMailThatIsHeldBackIsDealtWithAndWhatIsUrgentComesInAtOnce(
        array $steps,
        bool $urgent,
        Place $place,
        array $past,
    ): void {
        $world = new World();
        self::order($world, 'Gulls', self::NEWS, $steps, urgent: $urgent);
        $to = new Recipient(
            World::account(),
            new Person(World::OWN),
            heldUntil: new Moment(new \DateTimeImmutable('2026-11-24T13:00:00Z'), World::zone()),
        );
        $message = self::letter($world, 'news@gulls.example', 'Gulls', to: $to);
        $conversation = self::conversation($world, $message);
        $before = $world->state();
        $outcome = self::arrives($world, $message)[0];
        self::assertSame([$place, $past], [
            $conversation->placeAt($world->clock->now()),
            array_column($world->memory->effects, 'past'),
        ]);
        $world->undo($outcome->entry ?? throw new \LogicException('It did nothing.'));
        self::assertSame([$before, true], [$world->state(), $conversation->isHeld($world->clock->now())]);
    }

    public function testOrdersAreWantedForWhatOthersSentIntoTheTray(): void
    {
        $world = new World();
        self::letter($world, 'news@gulls.example', 'Gulls');
        self::letter($world, World::OWN, 'Mine');
        self::assertCount(1, $world->memory->orderWanted);
    }

    /**
     * @param array<string, mixed> $condition
     * @param list<StampStep>      $steps
     */
    private static function order(
        World $world,
        string $name,
        array $condition,
        array $steps,
        bool $on = true,
        bool $last = false,
        bool $urgent = false,
    ): Entry {
        return $world->keepOrders->keep(
            World::account(),
            new EntryId($world->ids->next()),
            new OrderId($name),
            $name,
            Condition::checked($condition),
            $steps,
            $on,
            $last,
            $urgent,
            self::hand($world),
        );
    }

    /** @return list<string> */
    private static function inOrder(World $world): array
    {
        $orders = array_values($world->memory->orders);
        usort($orders, static fn ($a, $b): int => $a->rank() <=> $b->rank());

        return array_map(static fn ($order): string => $order->name(), $orders);
    }

    private static function letter(World $world, string $from, string $subject, string $header = '', ?Recipient $to = null): Message
    {
        return ($world->arrive)(
            $to ?? World::recipient(),
            "From: {$from}\nTo: ".World::OWN."\nSubject: {$subject}\nMessage-ID: <".$world->ids->next()."@x.example>\n{$header}\nA text.",
        ) ?? throw new \LogicException('It was refused.');
    }

    private static function conversation(World $world, Message $message): Conversation
    {
        return $world->memory->conversations[$world->memory->conversationOf[$message->id->text]];
    }

    /**
     * @param list<MessageFacts> $beside
     *
     * @return list<Outcome>
     */
    private static function arrives(World $world, Message $message, array $beside = []): array
    {
        $person = new Person(World::OWN, 'Wren Halloran');
        $facts = MessageFacts::of($message, $world->memory->findings[$message->id->text] ?? null, $person, false);
        $orders = array_values($world->memory->orders);
        usort($orders, static fn ($a, $b): int => $a->rank() <=> $b->rank());

        return ($world->carryOut)(
            World::account(),
            $orders,
            new Arrived($message, new ConversationId($world->memory->conversationOf[$message->id->text]), $facts, $beside),
            self::hand($world),
        );
    }

    /**
     * @param list<Outcome> $outcomes
     *
     * @return list<string>
     */
    private static function names(array $outcomes): array
    {
        return array_map(static fn (Outcome $one): string => $one->order->name(), $outcomes);
    }

    private static function hand(World $world): StampHand
    {
        return new StampHand(
            new Person(World::OWN, 'Wren Halloran'),
            new Speaker(new Moment($world->clock->now(), World::zone())),
            new PostSettings(),
            true,
        );
    }
}
