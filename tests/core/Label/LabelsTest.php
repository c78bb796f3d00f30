<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Label;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Lifts;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\Label\LabelId;
use ZippyTray\Core\Label\LabelName;
use ZippyTray\Core\Label\NameLabels;
use ZippyTray\Core\Label\ShownLabels;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskChange;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TasksBearLabelsById;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\BringBack;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Tests\Core\World\World;

final class LabelsTest extends TestCase
{
    public function testNamesAreTidied(): void
    {
        self::assertSame(['Roof survey'], LabelName::each([' Roof  survey ', 'roof SURVEY', '']));
        self::assertSame(['Roof', 'Glass'], LabelName::each(['Roof', ' ', 'Glass', 'roof']), 'What is empty is passed over.');
        foreach ([[str_repeat('x', 41)], array_map(static fn (int $number): string => 'label '.$number, range(1, 21))] as $names) {
            try {
                LabelName::each($names);
                self::fail('They were taken.');
            } catch (Refused $refused) {
                self::assertSame('labels', $refused->field);
            }
        }
    }

    public function testALabelIsKnownByTheNameItWasMadeUnder(): void
    {
        $id = static fn (string $name, string $account = 'a', int $nth = 1): string => LabelId::of(
            new AccountId($account),
            $name,
            $nth,
        )->text;
        self::assertMatchesRegularExpression('/^[0-9a-f]{8}-[0-9a-f]{4}-8[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/', $id('Harbour'));
        self::assertSame($id('Harbour'), $id(' HARBOUR '));
        self::assertCount(4, array_unique([$id('Harbour'), $id('Glass'), $id('Harbour', 'b'), $id('Harbour', 'a', 2)]));
    }

    public function testOneLabelIsOnMailAndTasks(): void
    {
        $world = new World();
        $mail = [$world->conversation('Glass'), $world->conversation('Slates')];
        $before = $world->state();
        $entry = self::put($world, $mail, ['Harbour', 'money']);
        self::assertSame(['Glass', 2, 'label Harbour, label money'], [$entry->about, $entry->things, $entry->consequence]);
        $world->makeTask(new TaskFields('Paint', labels: ['HARBOUR']));
        self::assertSame(['Harbour'], $world->labelsOf($world->task('Paint')));
        self::assertCount(2, $world->memory->labels);

        self::put($world, [$mail[1]], [], ['harbour']);
        self::assertSame([['Harbour', 'money'], ['money']], array_map($world->labelsOn(...), $mail));
        self::put($world, $mail, ['harbour']);
        self::assertCount(4, $world->memory->borne, 'What bears it already bears it once.');
        foreach (array_reverse(array_values($world->memory->entries)) as $one) {
            $world->undo($one);
        }
        self::assertSame($before, array_diff_key($world->state(), self::lists($world)));
    }

    public function testLabelsAndDecisionsDoNotStandInEachOthersWay(): void
    {
        $world = new World();
        $mail = $world->conversation();
        $archived = $world->decide(new Archive(), [$mail]);
        $labelled = self::put($world, [$mail], ['money']);
        $world->undo($archived);
        self::assertSame(['money'], $world->labelsOn($mail));
        $world->decide(new Delete(), [$mail]);
        $world->undo($labelled);
        self::assertSame([], $world->labelsOn($mail));
    }

    /** @return iterable<string, array{Decision, bool}> whether it is dealt with by it */
    public static function decisions(): iterable
    {
        $moment = new Moment(new \DateTimeImmutable('2026-11-27T10:00:00Z'), World::zone());
        yield 'archived' => [new Archive(), true];
        yield 'deleted' => [new Delete(), true];
        yield 'done' => [new DoNow(), true];
        yield 'muted' => [new Mute(), true];
        yield 'put off' => [new Snooze($moment), false];
        yield 'handed over' => [new HandOver('Petra <petra@x.example>', 'the slates', $moment), false];
    }

    #[DataProvider('decisions')]
    public function testALabelStandsUntilDealtWith(Decision $decision, bool $dealt): void
    {
        $world = new World();
        $mail = $world->conversation();
        self::put($world, [$mail], ['today', 'money']);
        $world->makeTask(new TaskFields('Paint', labels: ['today', 'money']));
        self::edit($world, 'today', 'today', true);
        $world->clock->set('2026-11-24T10:05:00Z');
        $entry = $world->decide($decision, [$mail]);
        self::assertSame($dealt ? ['money'] : ['money', 'today'], $world->labelsOn($mail));
        $world->undo($entry);
        self::assertSame(['money', 'today'], $world->labelsOn($mail));

        $world->decide($decision, [$mail]);
        self::put($world, [$mail], ['today']);
        self::assertSame(['money', 'today'], $world->labelsOn($mail), 'Put on anew it stands anew.');
        $task = $world->task('Paint');
        $task->complete($world->clock->now());
        self::assertSame(['money'], $world->labelsOf($task));
        $task->reopen();
        self::assertSame(['money', 'today'], $world->labelsOf($task));
    }

    public function testBroughtBackItIsNotDealtWithAnyMore(): void
    {
        $world = new World();
        $mail = $world->conversation();
        self::put($world, [$mail], ['today']);
        self::edit($world, 'today', 'today', true);
        $world->clock->set('2026-11-24T10:05:00Z');
        $world->decide(new Archive(), [$mail]);
        $world->decide(new BringBack(), [$mail]);
        self::assertSame(['today'], $world->labelsOn($mail));
    }

    public function testRenamedMergedAndDeletedTheyCanBeUndoneWhateverCameSince(): void
    {
        $world = new World();
        $mail = $world->conversation();
        self::put($world, [$mail], ['harbor']);
        $world->makeTask(new TaskFields('Paint', labels: ['glass']));
        $task = $world->task('Paint');
        $renamed = self::edit($world, 'harbor', 'Harbour');
        self::assertSame(['Harbour'], $world->labelsOn($mail));
        $merged = self::merge($world, 'glass', 'harbour');
        self::assertSame(['Harbour'], $world->labelsOf($task));
        $deleted = $world->keepLabels->delete(World::account(), new EntryId('gone'), self::id($world, 'harbour'));
        self::assertSame([[], []], [$world->labelsOn($mail), $world->labelsOf($task)]);

        $world->decide(new Archive(), [$mail]);
        $task->complete($world->clock->now());
        $world->undo($deleted);
        $world->undo($merged);
        $world->undo($renamed);
        self::assertSame([['harbor'], ['glass']], [$world->labelsOn($mail), $world->labelsOf($task)]);
    }

    public function testANameThatIsFreeAgainIsAnotherLabel(): void
    {
        $world = new World();
        [$first, $second] = [$world->conversation('A'), $world->conversation('B')];
        self::put($world, [$first], ['today']);
        $world->keepLabels->delete(World::account(), new EntryId('gone'), self::id($world, 'today'));
        self::put($world, [$second], ['today']);
        self::assertSame([[], ['today']], [$world->labelsOn($first), $world->labelsOn($second)]);
        self::edit($world, 'today', 'urgent');
        self::put($world, [$first], ['today']);
        self::assertSame([['today'], ['urgent']], [$world->labelsOn($first), $world->labelsOn($second)]);
    }

    public function testWhatBearsBothBearsTheMergedOneOnce(): void
    {
        $world = new World();
        $mail = $world->conversation();
        self::put($world, [$mail], ['harbour', 'port', 'quay']);
        self::merge($world, 'port', 'quay');
        self::merge($world, 'quay', 'harbour');
        $shown = new ShownLabels($world->memory->labels);
        self::assertSame(['harbour'], array_map(static fn (Label $label): string => $label->name(), $shown->all()));
        self::assertCount(3, $shown->shownNamed('HARBOUR'));
        $world->makeTask(new TaskFields('Paint', labels: ['harbour']));
        ($world->changeTasks)(
            World::account(),
            new EntryId('off'),
            [$world->task('Paint')->id],
            new TaskChange(unlabel: 'Harbour'),
            World::zone(),
        );
        self::put($world, [$mail], [], ['harbour']);
        self::assertSame([[], []], [$world->labelsOn($mail), $world->labelsOf($world->task('Paint'))]);
    }

    public function testACircleOfMergedLabelsShowsNone(): void
    {
        $account = World::account();
        $one = new Label(new LabelId('1'), $account, 'one', Colour::Sea);
        $other = new Label(new LabelId('2'), $account, 'other', Colour::Sea);
        $one->mergeInto($other);
        $other->mergeInto($one);
        $shown = new ShownLabels([$one, $other]);
        self::assertSame([null, null, []], [$shown->of('1'), $shown->of('3'), $shown->borne(['1', '2', '3'], false)]);
    }

    public function testWhatCannotBeIsRefusedAndChangesNothing(): void
    {
        $world = new World();
        $mail = $world->conversation();
        self::put($world, [$mail], ['harbour', 'glass']);
        $before = $world->state();
        $account = World::account();
        $harbour = self::id($world, 'harbour');
        $entry = static fn (): EntryId => new EntryId($world->ids->next());
        foreach ([
            'taken' => static fn (): Entry => $world->keepLabels->add($account, $entry(), 'HARBOUR', Colour::Sea, false),
            'taken by another' => static fn (): Entry => self::edit($world, 'glass', 'harbour'),
            'without a name' => static fn (): Entry => self::edit($world, 'glass', '  '),
            'with itself' => static fn (): Entry => $world->keepLabels->merge($account, $entry(), $harbour, $harbour),
            'nothing' => static fn (): Entry => self::put($world, [$mail], [' ']),
            'on nothing' => static fn (): Entry => self::put($world, [], ['glass']),
            'too many' => static fn (): Entry => self::put(
                $world,
                [$mail],
                array_map(static fn (int $number): string => 'label '.$number, range(1, LabelName::MOST - 1)),
            ),
        ] as $what => $do) {
            try {
                $do();
                self::fail($what);
            } catch (Refused) {
                self::assertSame($before, $world->state(), $what);
            }
        }
        $this->expectException(NotFound::class);
        $world->keepLabels->delete($account, $entry(), new LabelId('none'));
    }

    public function testThereAreOnlySoManyLabels(): void
    {
        $world = new World();
        for ($number = 0; $number < NameLabels::MOST; ++$number) {
            $label = new Label(new LabelId('l'.$number), World::account(), 'label '.$number, Colour::Sea);
            $world->memory->labels[$label->id->text] = $label;
        }
        $this->expectExceptionMessage('You have 300 labels already.');
        self::put($world, [$world->conversation()], ['one more']);
    }

    /** It was written down when tasks still named their labels by what they are called. */
    public function testAnOlderEntryIsUndoneThroughItsLabels(): void
    {
        $world = new World(lifts: $lifts = new Lifts([new TasksBearLabelsById()]));
        $world->makeTask(new TaskFields('Paint', labels: ['Harbour']));
        $task = $world->task('Paint');
        $state = $task->state();
        self::assertSame(
            $state,
            $lifts->lifted(
                new Change(new ObjectRef(ObjectKind::Task, $task->id->text), null, array_replace($state, ['labels' => ['Harbour']])),
                World::account(),
            )->after,
        );
    }

    /**
     * @param list<Conversation> $on
     * @param list<string>       $names
     * @param list<string>       $off
     */
    private static function put(World $world, array $on, array $names, array $off = []): Entry
    {
        return ($world->putLabels)(
            World::account(),
            new EntryId($world->ids->next()),
            array_map(static fn (Conversation $one) => $one->id, $on),
            $names,
            $off,
        );
    }

    private static function edit(World $world, string $name, string $now, bool $untilDealt = false): Entry
    {
        return $world->keepLabels->edit(
            World::account(),
            new EntryId($world->ids->next()),
            self::id($world, $name),
            $now,
            Colour::Plum,
            $untilDealt,
        );
    }

    private static function merge(World $world, string $name, string $into): Entry
    {
        return $world->keepLabels->merge(
            World::account(),
            new EntryId($world->ids->next()),
            self::id($world, $name),
            self::id($world, $into),
        );
    }

    private static function id(World $world, string $name): LabelId
    {
        return (new ShownLabels($world->memory->labels))->named($name)->id ?? throw new \LogicException($name);
    }

    /** @return array<string, mixed> */
    private static function lists(World $world): array
    {
        return array_filter($world->state(), static fn (string $key): bool => str_starts_with($key, 'list '), \ARRAY_FILTER_USE_KEY);
    }
}
