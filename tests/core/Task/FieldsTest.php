<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\FirstReminder;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\Source;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskChange;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Task\TaskOvertaken;
use ZippyTray\Core\Task\TaskProposal;
use ZippyTray\Core\Task\TaskSettings;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Unreadable;
use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\AdviceGroup;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Advice\DateKind;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\ListItem;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Tests\Core\World\MemoryTasks;
use ZippyTray\Tests\Core\World\World;

/**
 * What a task can be, and what it cannot. It is Tuesday 24 November 2026, 10:00.
 */
final class FieldsTest extends TestCase
{
    /** @return iterable<string, array{?string, ?string, bool}> start, due, whether it is taken */
    public static function schedules(): iterable
    {
        yield 'the same day' => ['2026-11-27', '2026-11-27', true];
        yield 'a day after the due' => ['2026-11-28', '2026-11-27', false];
        yield 'the day of a due with a time' => ['2026-11-27', '2026-11-27 09:00', true];
        yield 'a time on the day of the due' => ['2026-11-27 18:00', '2026-11-27', true];
        yield 'a time before the time' => ['2026-11-27 08:00', '2026-11-27 09:00', true];
        yield 'the same time' => ['2026-11-27 09:00', '2026-11-27 09:00', true];
        yield 'a time after the time' => ['2026-11-27 09:01', '2026-11-27 09:00', false];
        yield 'no due' => ['2026-11-28', null, true];
    }

    #[DataProvider('schedules')]
    public function testNothingBeginsAfterItIsDue(?string $start, ?string $due, bool $isTaken): void
    {
        $task = $this->task();
        try {
            $task->schedule(self::due($start), self::due($due), World::zone());
            self::assertTrue($isTaken);
            self::assertSame([$start, $due], [self::written($task->start()), self::written($task->due())]);
        } catch (Refused $refused) {
            self::assertFalse($isTaken, $refused->getMessage());
            self::assertSame('start', $refused->field);
            self::assertNull($task->start());
        }
    }

    /** @return iterable<string, array{\Closure(Task): void}> */
    public static function anyChange(): iterable
    {
        $zone = World::zone();
        $at = new Moment(new \DateTimeImmutable('2026-11-25T09:00:00Z'), $zone);
        yield 'its title' => [static fn (Task $task) => $task->rename('Paint the rail')];
        yield 'its notes' => [static fn (Task $task) => $task->note('Two coats.')];
        yield 'where it stands' => [static fn (Task $task) => $task->place(new ListId('shed'), null, 'W')];
        yield 'when' => [static fn (Task $task) => $task->schedule(null, Due::onDay(LocalDate::parse('2026-12-01')), $zone)];
        yield 'everything by days' => [static fn (Task $task) => $task->shift(2)];
        yield 'how long' => [static fn (Task $task) => $task->estimate(20)];
        yield 'its priority' => [static fn (Task $task) => $task->prioritise(Priority::High)];
        yield 'its labels' => [static fn (Task $task) => $task->label(['Harbour'])];
        yield 'its repeat' => [static fn (Task $task) => $task->repeatBy(null)];
        yield 'its reminders' => [static fn (Task $task) => $task->remind([Reminder::at($at)])];
        yield 'what it leads back to' => [static fn (Task $task) => $task->leadBackTo([Source::web('https://glass.example')])];
        yield 'what is attached' => [static fn (Task $task) => $task->attach(['file'])];
        yield 'done' => [static fn (Task $task) => $task->complete($at->instant)];
        yield 'not done' => [static fn (Task $task) => $task->reopen()];
        yield 'as it was' => [static fn (Task $task) => $task->restore($task->state())];
    }

    /** @param \Closure(Task): void $change */
    #[DataProvider('anyChange')]
    public function testWhoeverSawItBeforeAChangeIsTold(\Closure $change): void
    {
        $task = new Task(new TaskId('t'), World::account(), new \DateTimeImmutable('2026-11-24T10:00:00Z'), 'Paint', new ListId('l'));
        $seen = $task->revision();
        $change($task);
        self::assertGreaterThan($seen, $task->revision());
    }

    /** @return iterable<array{string, bool}> address, whether it is one of the web */
    public static function addresses(): iterable
    {
        yield ['https://glass.example/panes?size=3#top', true];
        yield [' HTTP://glass.example ', true];
        yield ['https://', false];
        yield ['javascript:alert(1)', false];
        yield ['ftp://glass.example', false];
        yield ['https://glass.example/a b', false];
        yield ["https://glass.example/\nx", false];
        yield ['//glass.example', false];
        yield ['https://glass.example/'.str_repeat('x', 2000), false];
    }

    #[DataProvider('addresses')]
    public function testOnlyWebAddressesAreSourcesOfTheWeb(string $address, bool $isOne): void
    {
        try {
            self::assertSame(trim($address), Source::web($address)->ref);
            self::assertTrue($isOne);
        } catch (Refused) {
            self::assertFalse($isOne);
        }
    }

    /** @return iterable<array{string, string}> phrase, reminder or the fault */
    public static function reminders(): iterable
    {
        yield ['2h before', '2 hours before'];
        yield ['the morning before the start', 'the morning before the start'];
        yield ['friday 9am', 'Fri 27 Nov 2026, 09:00'];
        yield ['tomorrow', 'Wed 25 Nov 2026, 09:00'];
        yield ['in 20 min', 'Tue 24 Nov 2026, 10:20'];
        yield ['at the time', 'at the time'];
        yield ['2 hours bfor', 'I cannot read "bfor".'];
        yield ['frogs before', 'I cannot read "frogs".'];
    }

    #[DataProvider('reminders')]
    public function testAReminderIsALeadOrAMoment(string $phrase, string $expected): void
    {
        try {
            $reminder = ReadReminder::of($phrase, self::speaker());
            self::assertSame($expected, $reminder->text());
            self::assertEquals($reminder, Reminder::fromState($reminder->state()));
        } catch (Unreadable $problem) {
            self::assertSame($expected, $problem->getMessage());
        }
    }

    /** @return iterable<array{TaskChange, string, callable(Task): mixed, mixed}> change, in words, what is looked at, what it is then */
    public static function changes(): iterable
    {
        $due = static fn (Task $task): ?string => $task->due()?->text();
        yield [new TaskChange(due: Due::onDay(LocalDate::parse('2026-12-01'))), 'due Tue 1 Dec 2026', $due, 'Tue 1 Dec 2026, 15:00'];
        yield [new TaskChange(due: self::due('2026-12-01 08:30')), 'due Tue 1 Dec 2026, 08:30', $due, 'Tue 1 Dec 2026, 08:30'];
        yield [new TaskChange(undated: true), 'without date', $due, null];
        yield [
            new TaskChange(start: self::due('2026-11-25')),
            'out of the way until Wed 25 Nov 2026',
            static fn (Task $task): ?string => $task->start()?->text(),
            'Wed 25 Nov 2026',
        ];
        yield [
            new TaskChange(priority: Priority::High),
            'priority high',
            static fn (Task $task): mixed => $task->state()['priority'],
            'high',
        ];
        yield [new TaskChange(label: 'Harbour'), 'label Harbour', static fn (Task $task): array => $task->labels(), ['glass']];
        yield [new TaskChange(unlabel: 'GLASS'), 'without label GLASS', static fn (Task $task): array => $task->labels(), ['glass']];
        yield [new TaskChange(list: 'Shed'), 'to Shed', static fn (Task $task): array => $task->labels(), ['glass']];
        yield [new TaskChange(), '', $due, 'Fri 27 Nov 2026, 15:00'];
    }

    /** @param callable(Task): mixed $look */
    #[DataProvider('changes')]
    public function testOneThingIsChangedAndSaidInWords(TaskChange $change, string $text, callable $look, mixed $expected): void
    {
        $task = $this->task();
        $task->schedule(null, self::due('2026-11-27 15:00'), World::zone());
        $task->label(['glass']);
        $change->apply($task, World::zone());
        self::assertSame($expected, $look($task));
        self::assertSame($text, $change->text());
    }

    public function testEstimatesHaveTheirLimits(): void
    {
        $task = $this->task();
        foreach ([0, -5, Task::ESTIMATE + 1] as $minutes) {
            try {
                $task->estimate($minutes);
                self::fail((string) $minutes);
            } catch (Refused $refused) {
                self::assertSame('estimate', $refused->field);
            }
        }
        $task->estimate(Task::ESTIMATE);
        self::assertSame(Task::ESTIMATE, $task->state()['estimate']);
    }

    public function testEveryChangeCountsAndTheLaterOfTwoIsTold(): void
    {
        $world = new World();
        $world->makeTask(new TaskFields('Order polish'));
        $task = $world->task('Order polish');
        $seen = $task->revision();
        ($world->editTask)(World::account(), new EntryId('first'), $task->id, $seen, new TaskFields('Order brass polish'), World::zone());
        self::assertGreaterThan($seen, $task->revision());
        $before = $world->state();
        try {
            ($world->editTask)(
                World::account(),
                new EntryId('second'),
                $task->id,
                $seen,
                new TaskFields('Order silver polish'),
                World::zone(),
            );
            self::fail('It was overwritten.');
        } catch (TaskOvertaken $overtaken) {
            self::assertSame('Order brass polish', $overtaken->task->title());
        }
        self::assertSame($before, $world->state());
        // The same request again is no second edit.
        self::assertEquals(
            new EntryId('first'),
            ($world->editTask)(World::account(), new EntryId('first'), $task->id, $seen, new TaskFields('x'), World::zone())->id,
        );
    }

    public function testListsKeepTheirOrderAndTheirNamesApart(): void
    {
        $world = new World();
        foreach (['Roof', 'House', 'Shed'] as $name) {
            $world->changeLists->add(World::account(), new EntryId('add '.$name), new ListId($name), $name, Colour::Sea);
        }
        $order = static fn (): array => array_map(
            static fn (TaskList $list): string => $list->id->text,
            (new MemoryTasks($world->memory))->lists(World::account()),
        );
        $world->changeLists->move(World::account(), new EntryId('up'), new ListId('Shed'), null);
        self::assertSame(['Shed', 'Roof', 'House'], $order());
        $moved = $world->changeLists->move(World::account(), new EntryId('down'), new ListId('Shed'), new ListId('Roof'));
        self::assertSame(['Roof', 'Shed', 'House'], $order());
        $world->undo($moved);
        self::assertSame(['Shed', 'Roof', 'House'], $order());
        $world->changeLists->edit(World::account(), new EntryId('own name'), new ListId('Roof'), 'roof', Colour::Plum, false);
        foreach (['HOUSE', ' ', str_repeat('x', 81)] as $name) {
            try {
                $world->changeLists->edit(World::account(), new EntryId('edit '.$name), new ListId('Roof'), $name, Colour::Plum, false);
                self::fail($name);
            } catch (Refused $refused) {
                self::assertSame('list', $refused->field);
            }
        }
    }

    public function testListsLieUnderOneAnother(): void
    {
        $world = new World();
        foreach (['Roof', 'House', 'Shed'] as $name) {
            $world->changeLists->add(World::account(), new EntryId('add '.$name), new ListId($name), $name, Colour::Sea);
        }
        $before = $world->state();
        $parents = static fn (): array => array_map(static fn (TaskList $list): ?string => $list->parentId()?->text, $world->memory->lists);
        $entries = [
            $world->changeLists->move(World::account(), new EntryId('shed'), new ListId('Shed'), null, new ListId('House')),
            $world->changeLists->move(World::account(), new EntryId('roof'), new ListId('Roof'), new ListId('Shed'), new ListId('House')),
        ];
        self::assertSame(
            ['Roof' => 'House', 'House' => null, 'Shed' => 'House'],
            array_intersect_key($parents(), ['Roof' => 1, 'House' => 1, 'Shed' => 1]),
        );
        self::assertSame('under House', $entries[1]->consequence);
        foreach ([['House', 'House'], ['House', 'Shed'], ['House', 'Roof']] as [$list, $parent]) {
            try {
                $world->changeLists->move(World::account(), new EntryId('no '.$list.$parent), new ListId($list), null, new ListId($parent));
                self::fail("{$list} under {$parent}");
            } catch (Refused $refused) {
                self::assertSame('parent', $refused->field);
            }
        }
        $gone = $world->changeLists->delete(World::account(), new EntryId('gone'), new ListId('House'), null);
        self::assertSame([null, null], [$world->memory->lists['Roof']->parentId(), $world->memory->lists['Shed']->parentId()]);
        $world->undo($gone);
        array_map($world->undo(...), array_reverse($entries));
        self::assertSame($before, $world->state());
    }

    public function testAProposalTakesTheDeadlineTheListAndAReminder(): void
    {
        $date = new FoundDate(DateKind::Deadline, LocalDate::parse('2026-12-04'), null, 'by Friday', 10, 19);
        $proposal = TaskProposal::of(
            $this->advice($date),
            [new ListItem('the ladder', 1, 2), new ListItem('the paint', 3, 4)],
            self::speaker(),
            new TaskSettings(),
        );
        self::assertSame(['Send the form', 'Fri 4 Dec 2026', 'by Friday', ['the morning before'], 'Fri 4 Dec 2026, 09:00'], [
            $proposal->title, $proposal->due?->text(), $proposal->words, array_map(
                static fn (Reminder $reminder): string => $reminder->text(),
                $proposal->reminders,
            ), $proposal->until?->text(),
        ]);
        self::assertEquals([new Outline('the ladder'), new Outline('the paint')], $proposal->subtasks);

        $none = TaskProposal::of(
            $this->advice(new FoundDate(DateKind::Appointment, LocalDate::parse('2026-11-24'), TimeOfDay::parse('09:00'), 'today', 0, 5)),
            [],
            self::speaker(),
            new TaskSettings(),
        );
        self::assertSame(
            [null, '', [], null],
            [$none->due, $none->words, $none->reminders, $none->until],
            'An appointment is no due, and what is past comes back no more.',
        );
        self::assertSame(
            [],
            TaskProposal::of($this->advice($date), [], self::speaker(), new TaskSettings(firstReminder: new FirstReminder(0)))->reminders,
        );
    }

    public function testWhatIsMadeInOneStepIsDueAsThePersonWantsIt(): void
    {
        $settings = new TaskSettings(taskDue: 'end of the week', taskReminder: '2h before');
        $settings->check(self::speaker());
        $proposal = TaskProposal::of($this->advice(null), [], self::speaker(), $settings);
        self::assertSame(
            ['Fri 27 Nov 2026', '', ['2 hours before']],
            [
                $proposal->due?->text(),
                $proposal->words,
                array_map(static fn (Reminder $reminder): string => $reminder->text(), $proposal->reminders),
            ],
        );
        $named = TaskProposal::of(
            $this->advice(new FoundDate(DateKind::Deadline, LocalDate::parse('2026-12-04'), null, 'by Friday', 10, 19)),
            [],
            self::speaker(),
            $settings,
        );
        self::assertSame(
            ['Fri 4 Dec 2026', 'the morning before'],
            [$named->due?->text(), $named->reminders[0]->text()],
            'What the letter says comes first.',
        );
        self::assertNull(
            TaskProposal::of($this->advice(null), [], self::speaker(), new TaskSettings(taskDue: '3 Nov 2026'))->due,
            'No task begins overdue.',
        );
        foreach ([
            ['blursday', '', 'taskDue'],
            ['every friday', '', 'taskDue'],
            ['', 'blursday', 'taskReminder'],
        ] as [$due, $reminder, $field]) {
            try {
                (new TaskSettings(taskDue: $due, taskReminder: $reminder))->check(self::speaker());
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertSame($field, $refused->field);
            }
        }
    }

    public function testSettingsSurviveStorage(): void
    {
        $settings = new TaskSettings(true, new FirstReminder(20, 5), 'friday', '1 day before');
        self::assertEquals($settings, TaskSettings::fromState($settings->state()));
    }

    public function testWhatLiesUnderATaskKeepsItFromBeingUnmade(): void
    {
        $world = new World();
        $made = $world->makeTask(new TaskFields('Open day'));
        ($world->makeTasks)(
            World::account(),
            new EntryId('part'),
            [new TaskOrder(new TaskId('part'), new TaskFields('Posters'), parentId: $world->task('Open day')->id)],
            World::zone(),
        );
        $this->expectExceptionMessage('something lies under the task by now');
        try {
            $world->undo($made);
        } finally {
            self::assertCount(2, $world->memory->tasks);
        }
    }

    private function advice(?FoundDate $date): Advice
    {
        return new Advice(AdvisedDecision::Task, AdviceGroup::Asks, MailKind::Personal, 'Send the form', 20, [], '', $date, null);
    }

    private function task(): Task
    {
        return new Task(
            new TaskId('task'),
            World::account(),
            new \DateTimeImmutable('2026-11-24T10:00:00Z'),
            'Order polish',
            new ListId('list'),
        );
    }

    private static function due(?string $written): ?Due
    {
        if (null === $written) {
            return null;
        }
        $date = LocalDate::parse(substr($written, 0, 10));

        return 10 === \strlen($written) ? Due::onDay($date) : Due::at($date, TimeOfDay::parse(substr($written, 11)), World::zone());
    }

    private static function written(?Due $due): ?string
    {
        return null === $due ? null : trim($due->date.' '.$due->time);
    }

    private static function speaker(): Speaker
    {
        return new Speaker(new Moment(new \DateTimeImmutable('2026-11-24T10:00', World::zone()), World::zone()));
    }
}
