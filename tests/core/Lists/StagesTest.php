<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Lists;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Lists\Card;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Spot;
use ZippyTray\Core\Task\Stage\AtStage;
use ZippyTray\Core\Task\Stage\Onwards;
use ZippyTray\Core\Task\Stage\Stage;
use ZippyTray\Core\Task\Stage\Stages;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Tests\Core\World\World;

/**
 * The line that the cases of a list go along.
 */
final class StagesTest extends TestCase
{
    private World $world;

    protected function setUp(): void
    {
        $this->world = new World();
        foreach (['visits', 'roof'] as $name) {
            $this->world->changeLists->add(World::account(), new EntryId('add '.$name), new ListId($name), $name, Colour::Sea);
        }
        $this->stages('visits', [new Stage('asked', 'Asked'), new Stage('offered', 'Date offered', 5), new Stage('agreed', 'Agreed')]);
    }

    public function testWhatIsOpenBeginsAtTheFirstStageAndWhatIsDealtWithStandsOffTheLine(): void
    {
        [$open, $dealt] = [$this->mail('Holm Primary'), $this->mail('Tarn Home School')];
        $this->world->decide(new Archive(), [$this->world->memory->conversations[$dealt->id]]);
        $this->put([$open, $dealt], ['visits', 'roof']);
        self::assertSame('asked: Holm Primary', $this->line('visits'));
        self::assertSame('', $this->line('roof'), 'It has no stages.');
    }

    public function testTheyMoveAlongAndBackAndAmongTheirLike(): void
    {
        $mail = array_map($this->mail(...), ['A', 'B', 'C']);
        $task = $this->task('T', 'visits');
        $this->put($mail, ['visits']);
        $lines = [$this->line('visits')];
        $states = [$this->world->state()];
        $entries = [];
        foreach ([
            fn (): Entry => $this->to([$mail[2], $mail[0]], 'offered'),
            fn (): Entry => $this->to([$task], 'offered', first: true),
            fn (): Entry => $this->to([$mail[1]], 'offered', behind: $mail[2]),
            fn (): Entry => $this->along([$task, $mail[1]], 1),
            fn (): Entry => $this->along([$mail[0], $task], -1),
            fn (): Entry => $this->along([$mail[0]], -1),
            fn (): Entry => $this->to([$mail[2]], null),
        ] as $do) {
            $this->world->clock->set($this->world->clock->now()->modify('+1 day')->format(\DATE_ATOM));
            $entries[] = $do();
            $lines[] = $this->line('visits');
            $states[] = $this->world->state();
        }
        self::assertSame([
            'asked: A, B, C',
            'asked: B | offered: C, A',
            'asked: B | offered: T, C, A',
            'offered: T, C, B, A',
            'offered: C, A | agreed: T, B',
            'asked: A | offered: C, T | agreed: B',
            'offered: C, T | agreed: B',
            'offered: T | agreed: B',
        ], $lines);
        self::assertSame([
            'C visits: to Date offered', 'T visits: to Date offered', 'B visits: to Date offered', 'T visits: to Agreed',
            'A visits: to Asked; visits: to Date offered', 'A visits: off the line', 'C visits: off the line',
        ], array_map(static fn (Entry $entry): string => $entry->about.' '.$entry->consequence, $entries));
        foreach (array_reverse($entries, true) as $number => $entry) {
            $this->world->undo($entry);
            self::assertEquals($states[$number], $this->world->state());
        }
    }

    public function testAmongItsLikeItStandsThereAsLongAsBefore(): void
    {
        [$one, $other] = [$this->mail('A'), $this->mail('B')];
        $this->put([$one, $other], ['visits']);
        $this->world->clock->set('2026-11-30T10:00:00Z');
        $this->to([$one], 'asked', behind: $other);
        self::assertSame('asked: B, A', $this->line('visits'));
        self::assertSame('2026-11-24', $this->since($one));
        $this->to([$one], 'offered');
        self::assertSame('2026-11-30', $this->since($one));
    }

    /** Rows that stand side by side and are moved at random keep an order in which each stands where it was put. */
    public function testAnyNumberOfMovesKeepsTheOrder(): void
    {
        mt_srand(7);
        $all = array_map(
            fn (int $number): ObjectRef => $number % 3 ? $this->mail('m'.$number) : $this->task('t'.$number, 'visits'),
            range(1, 12),
        );
        $this->put(
            array_values(array_filter($all, static fn (ObjectRef $one): bool => ObjectKind::Conversation === $one->kind)),
            ['visits'],
        );
        $this->to($all, 'asked');
        $order = $all;
        for ($turn = 0; $turn < 300; ++$turn) {
            $moved = $order[mt_rand(0, \count($order) - 1)];
            $rest = array_values(array_filter($order, static fn (ObjectRef $one): bool => $one !== $moved));
            $at = mt_rand(0, \count($rest));
            $this->to([$moved], 'asked', behind: 0 === $at ? null : $rest[$at - 1], first: 0 === $at);
            $order = [...\array_slice($rest, 0, $at), $moved, ...\array_slice($rest, $at)];
        }
        self::assertSame('asked: '.implode(', ', array_map($this->nameOf(...), $order)), $this->line('visits'));
    }

    /** @param callable(self, ObjectRef): mixed $do */
    #[DataProvider('onwards')]
    public function testAStageSaysAfterWhatItGoesOn(?Onwards $onwards, callable $do, bool $goes, string $kind = 'mail'): void
    {
        $this->stages('visits', [new Stage('asked', 'Asked', null, $onwards), new Stage('offered', 'Offered', null, $onwards)]);
        $ref = 'mail' === $kind ? $this->mail('Holm') : $this->task('Holm', 'visits');
        'mail' === $kind ? $this->put([$ref], ['visits', 'roof']) : $this->to([$ref], 'asked');
        $before = $this->world->state();
        $entry = $do($this, $ref);
        self::assertSame(($goes ? 'offered' : 'asked').': Holm', $this->line('visits'));
        if ($entry instanceof Entry) {
            self::assertSame($goes, str_contains($entry->consequence, 'visits: to Offered'));
            $this->world->undo($entry);
            self::assertEquals($before, array_intersect_key($this->world->state(), $before), 'One step, one undo.');
        }
    }

    /** @return iterable<string, array{Onwards|null, callable(self, ObjectRef): mixed, bool, 3?: string}> */
    public static function onwards(): iterable
    {
        $archive = static fn (self $test, ObjectRef $ref): Entry => $test->world->decide(
            new Archive(),
            [$test->world->memory->conversations[$ref->id]],
        );
        $delete = static fn (self $test, ObjectRef $ref): Entry => $test->world->decide(
            new Delete(),
            [$test->world->memory->conversations[$ref->id]],
        );
        $now = static fn (self $test, ObjectRef $ref): Entry => $test->world->decide(
            new DoNow(),
            [$test->world->memory->conversations[$ref->id]],
        );
        $complete = static fn (self $test, ObjectRef $ref): Entry => $test->world->completeTasks->complete(
            World::account(),
            new EntryId('done'),
            [new TaskId($ref->id)],
            false,
            World::zone(),
        );
        $handOver = static fn (self $test, ObjectRef $ref): Entry => $test->world->decide(
            new HandOver(
                'Petra <petra@x.example>',
                'the rota',
                Moment::at(LocalDate::parse('2026-11-27'), TimeOfDay::parse('09:00'), World::zone()),
            ),
            [$test->world->memory->conversations[$ref->id]],
        );
        $makeTask = static fn (self $test, ObjectRef $ref): Entry => $test->world->makeTask(
            new TaskFields('Answer Holm'),
            $test->world->memory->conversations[$ref->id],
        );
        $answer = static fn (self $test, ObjectRef $ref): Entry => $test->answer($ref);
        yield 'answered' => [Onwards::Answered, $answer, true];
        yield 'answered, and another thing is meant' => [Onwards::MadeTask, $answer, false];
        yield 'handed over' => [Onwards::HandedOver, $handOver, true];
        yield 'handed over, and another thing is meant' => [Onwards::Done, $handOver, false];
        yield 'made a task' => [Onwards::MadeTask, $makeTask, true];
        yield 'made a task, and another thing is meant' => [Onwards::Done, $makeTask, false];
        yield 'archived' => [Onwards::Done, $archive, true];
        yield 'done at once' => [Onwards::Done, $now, true];
        yield 'deleted' => [Onwards::Done, $delete, false];
        yield 'archived, and another thing is meant' => [Onwards::Answered, $archive, false];
        yield 'archived, and nothing is meant' => [null, $archive, false];
        yield 'a task that is done' => [Onwards::Done, $complete, true, 'task'];
        yield 'a task that is done, and another thing is meant' => [Onwards::HandedOver, $complete, false, 'task'];
    }

    public function testAStageThatIsLeftOutLetsGoAndHoldsAgainWhenThatIsUndone(): void
    {
        [$one, $other] = [$this->mail('A'), $this->mail('B')];
        $this->put([$one, $other], ['visits']);
        $this->to([$other], 'offered');
        $entry = $this->stages('visits', [new Stage('asked', 'Who asked'), new Stage('agreed', 'Agreed')]);
        self::assertSame('asked: A', $this->line('visits'));
        $this->along([$other], 1);
        self::assertSame('asked: A, B', $this->line('visits'), 'Off the line lies before the first.');
        self::assertSame('stages: Who asked, Agreed', $entry->consequence);
    }

    public function testATaskThatGoesToAnotherListStandsAtNoStage(): void
    {
        $task = $this->task('T', 'visits');
        $this->to([$task], 'agreed');
        $entry = ($this->world->moveTasks)(
            World::account(),
            new EntryId('move'),
            [new TaskId('T')],
            Spot::in(new ListId('roof')),
        );
        self::assertSame('', $this->line('visits').$this->line('roof'));
        $this->world->undo($entry);
        self::assertSame('agreed: T', $this->line('visits'));
    }

    public function testNonsenseIsRefused(): void
    {
        [$mail, $elsewhere] = [$this->mail('A'), $this->mail('B')];
        $this->put([$mail], ['visits']);
        $this->put([$elsewhere], ['roof']);
        foreach ([
            fn (): Entry => $this->to([], 'offered'),
            fn (): Entry => $this->to([$mail], 'nowhere'),
            fn (): Entry => $this->to([$elsewhere], 'offered'),
            fn (): Entry => $this->to([$mail], 'offered', behind: $mail),
            fn (): Entry => $this->to([$mail], 'offered', behind: $elsewhere),
            fn (): Entry => $this->along([$elsewhere], 1),
            fn (): Entry => [$this->along([$mail], -2), $this->along([$mail], -1)][1],
            fn (): Entry => $this->stages('visits', [new Stage('a', 'A'), new Stage('b', 'a')]),
            fn (): Entry => $this->stages('visits', array_map(
                static fn (int $number): Stage => new Stage((string) $number, 'stage '.$number),
                range(0, Stages::MOST),
            )),
            fn (): Entry => $this->stages('visits', [], ['asked']),
            static fn (): Stage => new Stage('a', ' '),
            static fn (): Stage => new Stage('a', str_repeat('a', Stage::NAME_LENGTH + 1)),
            static fn (): Stage => new Stage('a', 'A', 0),
            static fn (): Stage => new Stage('a', 'A', Stage::DAYS + 1),
        ] as $number => $do) {
            try {
                $do();
                self::fail("Number {$number} was taken.");
            } catch (Refused|NotFound) {
                self::assertContains($this->line('visits'), ['asked: A', '']);
            }
        }
    }

    /**
     * @param list<Stage>       $stages
     * @param list<string>|null $were
     */
    private function stages(string $list, array $stages, ?array $were = null): Entry
    {
        return $this->world->changeLists->stages(
            World::account(),
            new EntryId($this->world->ids->next()),
            new ListId($list),
            new Stages($stages),
            $were ?? array_map(static fn (Stage $stage): string => $stage->id, $this->world->memory->lists[$list]->stages()->all),
        );
    }

    private function mail(string $subject): ObjectRef
    {
        return new ObjectRef(ObjectKind::Conversation, $this->world->conversation($subject)->id->text);
    }

    private function task(string $title, string $list): ObjectRef
    {
        $this->world->memory->tasks[$title] = new Task(
            new TaskId($title),
            World::account(),
            \DateTimeImmutable::createFromInterface($this->world->clock->now()),
            $title,
            new ListId($list),
        );

        return new ObjectRef(ObjectKind::Task, $title);
    }

    /**
     * @param list<ObjectRef> $refs
     * @param list<string>    $into
     */
    private function put(array $refs, array $into): void
    {
        ($this->world->putIntoLists)(
            World::account(),
            new EntryId($this->world->ids->next()),
            array_map(static fn (ObjectRef $ref): ConversationId => new ConversationId($ref->id), $refs),
            array_map(static fn (string $id): ListId => new ListId($id), $into),
            [],
        );
    }

    /** @param list<ObjectRef> $refs */
    private function to(array $refs, ?string $stage, ?ObjectRef $behind = null, bool $first = false): Entry
    {
        return $this->world->moveCards->to(
            World::account(),
            new EntryId($this->world->ids->next()),
            new ListId('visits'),
            $refs,
            $stage,
            $behind,
            !$first,
        );
    }

    private function answer(ObjectRef $ref): Entry
    {
        $id = new OutgoingId($this->world->ids->next());
        $this->world->memory->outgoings[$id->text] = new Outgoing(
            $id,
            World::account(),
            'header@trust.example',
            AnswerKind::Reply,
            null,
            new ConversationId($ref->id),
            new Letter([new Address('holm@school.example')], subject: 'Re: Holm', text: 'Yes, on the 4th.'),
            \DateTimeImmutable::createFromInterface($this->world->clock->now()),
        );

        return ($this->world->send)(
            World::account(),
            new EntryId($this->world->ids->next()),
            $id,
            new Moment(\DateTimeImmutable::createFromInterface($this->world->clock->now())->modify('+10 seconds'), World::zone()),
            false,
        );
    }

    /** @param list<ObjectRef> $refs */
    private function along(array $refs, int $by): Entry
    {
        return $this->world->moveCards->along(World::account(), new EntryId($this->world->ids->next()), $refs, $by);
    }

    /** @phpstan-impure */
    private function since(ObjectRef $ref): string
    {
        $cards = array_filter($this->world->memory->cards, static fn (Card $card): bool => $card->conversationId()->text === $ref->id);

        return implode(' ', array_map(static fn (Card $card): string => (string) $card->stage()?->since->format('Y-m-d'), $cards));
    }

    private function nameOf(ObjectRef $ref): string
    {
        return ObjectKind::Task === $ref->kind
            ? $this->world->memory->tasks[$ref->id]->title()
            : $this->world->memory->conversations[$ref->id]->subject();
    }

    /**
     * What stands where, as "asked: A, B | agreed: C".
     *
     * @phpstan-impure
     */
    private function line(string $list): string
    {
        $at = [];
        /** @var list<AtStage> $all */
        $all = [...array_values($this->world->memory->cards), ...array_values($this->world->memory->tasks)];
        foreach ($all as $one) {
            if ($one->listId()->text === $list && null !== $one->stage()) {
                $ref = $one instanceof Card ? new ObjectRef(ObjectKind::Conversation, $one->conversationId()->text) : $one->ref();
                $at[$one->stage()->stage][$one->stage()->rank] = $this->nameOf($ref);
            }
        }
        $line = [];
        foreach ($this->world->memory->lists[$list]->stages()->all as $stage) {
            $here = $at[$stage->id] ?? [];
            ksort($here, \SORT_STRING);
            $line[] = [] === $here ? '' : $stage->id.': '.implode(', ', $here);
        }

        return implode(' | ', array_filter($line));
    }
}
