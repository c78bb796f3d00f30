<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Journal;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Agenda\NewSlot;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\UndoBlocked;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\OpenSubtasks;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\PutOff;
use ZippyTray\Core\Task\PutOffWhat;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Task\Source;
use ZippyTray\Core\Task\Spot;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskChange;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\LeadReader;
use ZippyTray\Core\Time\Field\WhenReader;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\BringBack;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Decision\PutBack;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Tests\Core\World\World;

/**
 * What the journal promises: any series of steps, undone in reverse, gives the state before; and
 * undoing the undoing gives the state after. Over generated series.
 */
final class PromiseTest extends TestCase
{
    private const STEPS = 40;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            yield 'seed '.$seed => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testAnySeriesUndoneInReverseGivesTheStateBefore(int $seed): void
    {
        $world = new World();
        $chance = new Randomizer(new Mt19937($seed));
        $conversations = array_map(static fn (int $i): Conversation => $world->conversation('Conversation '.$i), range(1, 6));
        foreach ($conversations as $conversation) {
            $conversation->remind([Reminder::at(new Moment($world->clock->now(), World::zone()))]);
        }
        $world->memory->lookedAt = $world->clock->now()->modify('-1 hour');
        self::assertCount(6, $world->look());
        $states = [];
        $entries = [];
        for ($step = 0; $step < self::STEPS; ++$step) {
            $world->clock->set(\sprintf('2026-11-24T10:%02d:00Z', $step));
            $before = $world->state();
            $entry = $this->anyStep($world, $chance, $conversations, $entries);
            if (null !== $entry) {
                self::assertNotSame('', $entry->about, \sprintf('What step %d (%s) was about.', $step, $entry->kind->value));
                $states[] = $before;
                $entries[] = $entry;
            } else {
                self::assertSame($before, $world->state(), 'A refused step changes nothing.');
            }
        }
        $after = $world->state();

        $undoings = [];
        foreach (array_reverse($entries, true) as $index => $entry) {
            $undoings[] = $world->undo($entry);
            self::assertSame($states[$index], $world->state(), \sprintf('After undoing step %d (%s).', $index, $entry->kind->value));
        }
        foreach (array_reverse($undoings) as $undoing) {
            $world->undo($undoing);
        }
        self::assertSame($after, $world->state());
    }

    /**
     * @param non-empty-list<Conversation> $conversations
     * @param list<Entry>                  $entries
     */
    private function anyStep(World $world, Randomizer $chance, array $conversations, array $entries): ?Entry
    {
        $some = array_map(
            static fn (int|string $key): Conversation => $conversations[(int) $key],
            $chance->pickArrayKeys($conversations, $chance->getInt(1, 3)),
        );
        $tasks = array_values($world->memory->tasks);
        $task = [] === $tasks ? null : $tasks[$chance->getInt(0, \count($tasks) - 1)];
        try {
            return match ($chance->getInt(0, 28)) {
                0 => $world->decide(new Archive(), $some),
                1 => $world->decide(new Delete(), $some),
                2 => $world->decide(
                    new Snooze(new Moment(
                        $world->clock->now()->modify('+'.$chance->getInt(-1, 60).' minutes'),
                        new \DateTimeZone('Europe/Lisbon'),
                    )),
                    $some,
                ),
                3 => $world->decide(new BringBack(), $some),
                4 => $world->decide(new PutBack(), $some),
                5, 6 => $world->makeTask($this->fields($chance), 0 === $chance->getInt(0, 2) ? null : $some[0]),
                7 => null === $task ? null : $this->change($world, $chance, $task),
                8 => null === $task
                    ? null
                    : $world->completeTasks->complete(
                        World::account(),
                        new EntryId($world->ids->next()),
                        [$task->id],
                        0 < $chance->getInt(0, 3),
                        World::zone(),
                    ),
                9 => null === $task ? null : $world->removeTasks->delete(World::account(), new EntryId($world->ids->next()), [$task->id]),
                15 => null === $task
                    ? null
                    : ($world->makeTasks)(
                        World::account(),
                        new EntryId($world->ids->next()),
                        [new TaskOrder(
                            new TaskId($world->ids->next()),
                            $this->fields($chance),
                            parentId: $task->id,
                            subtasks: [new Outline('Count the slates', under: [new Outline('Those on the floor', true)])],
                        )],
                        World::zone(),
                    )->entry,
                16 => null === $task
                    ? null
                    : ($world->moveTasks)(
                        World::account(),
                        new EntryId($world->ids->next()),
                        [$task->id],
                        $this->spot($chance, $tasks, $world),
                    ),
                17 => null === $task
                    ? null
                    : ($world->changeTasks)(
                        World::account(),
                        new EntryId($world->ids->next()),
                        [$task->id, $tasks[0]->id],
                        $this->taskChange($chance),
                        World::zone(),
                    ),
                18 => null === $task
                    ? null
                    : $world->completeTasks->skip(World::account(), new EntryId($world->ids->next()), $task->id, World::zone()),
                19 => $world->removeTasks->clearDone(World::account(), new EntryId($world->ids->next()), null),
                20 => $this->lists($world, $chance),
                21 => null === $task
                    ? null
                    : ($world->putOff)(
                        World::account(),
                        new EntryId($world->ids->next()),
                        [$task->id],
                        new PutOff(
                            Due::onDay(LocalDate::parse('2026-11-24')->plusDays($chance->getInt(-1, 12))),
                            [null, ...PutOffWhat::cases()][$chance->getInt(0, 3)],
                        ),
                        World::zone(),
                    ),
                22 => ($world->remindOf)(
                    World::account(),
                    new EntryId($world->ids->next()),
                    $some[0]->id,
                    [
                        Reminder::lead((new LeadReader())->read('an hour before')),
                        Reminder::at(new Moment($world->clock->now()->modify('+1 day'), World::zone())),
                    ],
                ),
                23 => $world->answer->letGo(World::account(), new EntryId($world->ids->next()), $world->ringIds()),
                24 => $world->answer->again(
                    World::account(),
                    new EntryId($world->ids->next()),
                    $world->ringIds(),
                    new Moment($world->clock->now()->modify('+'.$chance->getInt(-1, 60).' minutes'), World::zone()),
                ),
                25 => $world->decide(
                    new Snooze(new Moment($world->clock->now()->modify('+1 day'), World::zone()), AwayReason::Answer),
                    $some,
                ),
                26 => null === $task ? null : $world->laySlots->put(World::account(), new EntryId($world->ids->next()), [new NewSlot(
                    new SlotId($world->ids->next()),
                    $task->id,
                    Due::onDay(LocalDate::parse('2026-11-24')->plusDays($chance->getInt(-1, 1))),
                )]),
                27 => null === $task ? null : $world->keepDays->choose(
                    World::account(),
                    new EntryId($world->ids->next()),
                    LocalDate::parse('2026-11-24'),
                    $task->id,
                ),
                10 => $world->decide(new DoNow(), $some),
                11 => $world->decide(new Mute(), $some),
                12 => $world->decide(
                    new HandOver(
                        ['Petra', ''][$chance->getInt(0, 1)],
                        'the rota',
                        new Moment($world->clock->now()->modify('+1 day'), new \DateTimeZone('UTC')),
                    ),
                    $some,
                ),
                13 => ($world->block)(
                    World::account(),
                    new EntryId($world->ids->next()),
                    array_map(static fn (Conversation $conversation): Claim => new Claim($conversation->id), $some),
                    0 === $chance->getInt(0, 1),
                    World::recipient()->person,
                )->entry,
                14 => [] === $world->memory->senders
                    ? null
                    : $world->block->unblock(
                        World::account(),
                        new EntryId($world->ids->next()),
                        array_keys($world->memory->senders)[0],
                        0 === $chance->getInt(0, 1),
                    ),
                default => [] === $entries || null !== $entries[\count($entries) - 1]->undoneBy()
                    ? null
                    : $world->undo($entries[\count($entries) - 1]),
            };
        } catch (Refused|OpenSubtasks|UndoBlocked|\OutOfBoundsException) {
            return null;
        }
    }

    private function change(World $world, Randomizer $chance, Task $task): Entry
    {
        return $task->isDone()
            ? $world->completeTasks->restore(World::account(), new EntryId($world->ids->next()), [$task->id])
            : ($world->editTask)(
                World::account(),
                new EntryId($world->ids->next()),
                $task->id,
                $task->revision(),
                $this->fields($chance),
                World::zone(),
            );
    }

    /** @param non-empty-list<Task> $tasks */
    private function spot(Randomizer $chance, array $tasks, World $world): Spot
    {
        $other = $tasks[$chance->getInt(0, \count($tasks) - 1)];

        return match ($chance->getInt(0, 2)) {
            0 => Spot::under($other->id, 0 === $chance->getInt(0, 1)),
            1 => Spot::behind($other->id),
            default => Spot::in(new ListId(array_keys($world->memory->lists)[0]), 0 === $chance->getInt(0, 1)),
        };
    }

    private function taskChange(Randomizer $chance): TaskChange
    {
        return [
            new TaskChange(due: Due::onDay(LocalDate::parse('2026-12-01'))),
            new TaskChange(undated: true),
            new TaskChange(start: Due::onDay(LocalDate::parse('2026-11-28'))),
            new TaskChange(list: 'Shed'),
            new TaskChange(priority: Priority::High),
            new TaskChange(label: 'harbour'),
            new TaskChange(unlabel: 'Harbour'),
        ][$chance->getInt(0, 6)];
    }

    private function lists(World $world, Randomizer $chance): ?Entry
    {
        $ids = array_keys($world->memory->lists);
        $one = [] === $ids ? null : $ids[$chance->getInt(0, \count($ids) - 1)];

        return null === $one ? null : match ($chance->getInt(0, 3)) {
            0 => $world->changeLists->add(
                World::account(),
                new EntryId($world->ids->next()),
                new ListId($world->ids->next()),
                'List '.\count($ids),
                Colour::Plum,
            ),
            1 => $world->changeLists->edit(
                World::account(),
                new EntryId($world->ids->next()),
                new ListId($one),
                'Renamed '.$chance->getInt(0, 99),
                Colour::Sea,
                0 === $chance->getInt(0, 4),
            ),
            2 => $world->changeLists->move(
                World::account(),
                new EntryId($world->ids->next()),
                new ListId($one),
                ListId::orNull($ids[\count($ids) - 1] === $one ? null : $ids[\count($ids) - 1]),
            ),
            default => $world->changeLists->delete(
                World::account(),
                new EntryId($world->ids->next()),
                new ListId($one),
                ListId::orNull(0 === $chance->getInt(0, 1) ? null : $ids[0]),
            ),
        };
    }

    private function fields(Randomizer $chance): TaskFields
    {
        $date = LocalDate::parse('2026-11-24')->plusDays($chance->getInt(0, 9));

        return new TaskFields(
            ['Order polish', 'Call Olga', '', 'Count slates'][$chance->getInt(0, 3)],
            0 === $chance->getInt(0, 1) ? '' : 'Second shelf.',
            0 === $chance->getInt(0, 1) ? null : Due::onDay($date),
            ['Roof', 'roof', 'House', 'Office'][$chance->getInt(0, 3)],
            0 === $chance->getInt(0, 2) ? Due::onDay($date->plusDays(-1)) : null,
            labels: ['harbour', 'Harbour', 'glass'],
            repeat: 0 < $chance->getInt(0, 2) ? null : Repeat::of(
                (new WhenReader())->read('every 2 days', new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), World::zone())),
                World::zone(),
                0 === $chance->getInt(0, 1),
            ),
            reminders: [Reminder::lead((new LeadReader())->read('2 days before'))],
            sources: [Source::web('https://glass.example/panes')],
        );
    }
}
