<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Remind;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Remind\RemindOf;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\ReminderKind;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Tests\Core\World\World;

final class RemindTest extends TestCase
{
    /**
     * @return iterable<string, array{
     *     string, string|null, array<int, string>
     * }> reminder, due, what is up at each look (24 Nov 10:00 and every six hours from then on)
     */
    public static function reminders(): iterable
    {
        yield 'a lead of a time' => ['2 hours before', 'today 18:00', [1 => 'Oil 24 16:00']];
        yield 'a lead of a day is a morning' => ['the day before', 'thursday', [4 => 'Oil 25 09:00']];
        yield 'a moment' => ['tomorrow 3:30', null, [3 => 'Oil 25 03:30']];
        yield 'a lead without anything to count from' => ['2 hours before', null, []];
        yield 'past' => ['2 days before', 'tomorrow', []];
        yield 'each day, and not answered' => ['every day at 11', null, [1 => 'Oil 24 11:00', 5 => 'Oil 25 11:00 x2']];
    }

    /** @param array<int, string> $expected by number of the look, what is up from then on */
    #[DataProvider('reminders')]
    public function testAReminderComesAtItsMoment(string $reminder, ?string $due, array $expected): void
    {
        $world = new World();
        $world->look();
        $world->makeTask(new TaskFields(
            'Oil',
            due: null === $due ? null : $world->speaker()->due($due, 'due'),
            reminders: [ReadReminder::of($reminder, $world->speaker())],
        ));
        $up = [];
        for ($look = 0; $look < 8; ++$look) {
            $up = isset($expected[$look]) ? [$expected[$look]] : $up;
            self::assertSame($up, $world->look(), 'Look '.$look);
            $world->clock->set($world->clock->now()->modify('+6 hours')->format(\DATE_ATOM));
        }
    }

    public function testWhatCameDuringAnAbsenceIsGatheredOnceAndInOrder(): void
    {
        $world = new World();
        $world->look();
        foreach (['Glass' => '28 nov 9:00', 'Roof' => '26 nov 9:00', 'Later' => '2 jan 9:00'] as $title => $at) {
            $world->makeTask(new TaskFields($title, reminders: [self::at($world, $at)]));
        }
        $world->makeTask(new TaskFields('Stand-up', reminders: [self::at($world, 'every weekday at 9')]));
        $mail = $world->conversation('Rota');
        ($world->remindOf)(World::account(), new EntryId($world->ids->next()), $mail->id, [self::at($world, '27 nov 12:00')]);

        $world->clock->set('2026-12-24T10:00:00Z');
        $all = ['Roof 26 09:00', 'Rota 27 12:00', 'Glass 28 09:00', 'Stand-up 24 09:00 x22'];
        self::assertSame($all, $world->look());
        self::assertSame($all, $world->look(), 'None comes twice.');
        $world->clock->set('2026-11-23T10:00:00Z');
        self::assertSame($all, $world->look(), 'Nor when the clock is set back.');
        $world->clock->set('2026-12-24T10:00:01Z');
        self::assertSame($all, $world->look());
        $world->answer->letGo(World::account(), new EntryId($world->ids->next()), $world->ringIds());
        self::assertSame([], $world->look());
        $world->clock->set('2027-01-05T10:00:00Z');
        self::assertSame(['Later 02 09:00', 'Stand-up 05 09:00 x8'], $world->look());
    }

    public function testAnswersCanBeUndone(): void
    {
        $world = new World();
        $world->look();
        $world->makeTask(new TaskFields('Oil', reminders: [self::at($world, 'at 11')]));
        $world->clock->set('2026-11-24T11:00:05Z');
        self::assertSame(['Oil 24 11:00'], $world->look());

        $gone = $world->answer->letGo(World::account(), new EntryId($world->ids->next()), $world->ringIds());
        self::assertSame([], $world->look());
        $world->undo($gone);
        self::assertSame(['Oil 24 11:00'], $world->look());

        $again = $world->answer->again(
            World::account(),
            new EntryId($world->ids->next()),
            $world->ringIds(),
            $world->speaker()->moment('in 20 minutes', 'at'),
        );
        self::assertSame('again Tue 24 Nov 2026, 11:20', $again->consequence);
        self::assertSame(
            ['Tue 24 Nov 2026, 11:20'],
            array_map(static fn (Reminder $one): string => $one->text(), $world->task('Oil')->reminders()),
            'What is over is not kept beside it.',
        );
        self::assertSame([], $world->look());
        $world->clock->set('2026-11-24T11:21:00Z');
        self::assertSame(['Oil 24 11:20'], $world->look());
        $this->expectExceptionObject(new Refused('Tue 24 Nov 2026, 11:00 is already past. Choose a moment that is still to come.', 'at'));
        $world->answer->again(
            World::account(),
            new EntryId($world->ids->next()),
            $world->ringIds(),
            $world->speaker()->moment('24 nov 11:00', 'at'),
        );
    }

    public function testWhatIsStillToComeStaysBesideWhatComesAgain(): void
    {
        $world = new World();
        $world->look();
        $world->makeTask(new TaskFields('Oil', due: $world->speaker()->due('friday', 'due'), reminders: [
            self::at($world, 'at 11'),
            self::at($world, 'at 16'),
            ReadReminder::of('the day before', $world->speaker()),
        ]));
        $world->clock->set('2026-11-24T11:00:05Z');
        self::assertSame(['Oil 24 11:00'], $world->look());
        $world->answer->again(
            World::account(),
            new EntryId($world->ids->next()),
            $world->ringIds(),
            $world->speaker()->moment('in 20 minutes', 'at'),
        );
        self::assertSame(
            ['Tue 24 Nov 2026, 16:00', '1 day before', 'Tue 24 Nov 2026, 11:20'],
            array_map(static fn (Reminder $one): string => $one->text(), $world->task('Oil')->reminders()),
        );
    }

    public function testAConversationRemindsSoOftenAtTheMost(): void
    {
        $world = new World();
        $mail = $world->conversation('Rota');
        $some = static fn (int $count): array => array_map(
            static fn (int $day): Reminder => self::at($world, "{$day} dec 9:00"),
            range(1, $count),
        );
        ($world->remindOf)(World::account(), new EntryId('e'), $mail->id, $some(RemindOf::MOST));
        self::assertCount(RemindOf::MOST, $mail->reminders());
        $this->expectException(Refused::class);
        ($world->remindOf)(World::account(), new EntryId('f'), $mail->id, $some(RemindOf::MOST + 1));
    }

    public function testOnlyWhatIsOpenReminds(): void
    {
        $world = new World();
        $world->look();
        $world->makeTask(new TaskFields('Done', reminders: [self::at($world, 'at 11')]));
        $world->completeTasks->complete(
            World::account(),
            new EntryId($world->ids->next()),
            [$world->task('Done')->id],
            false,
            World::zone(),
        );
        foreach ([[new Delete(), 'Deleted'], [new Archive(), 'Archived']] as [$decision, $subject]) {
            $mail = $world->conversation($subject);
            ($world->remindOf)(World::account(), new EntryId($world->ids->next()), $mail->id, [self::at($world, 'at 11')]);
            $world->decide($decision, [$mail]);
        }
        $world->clock->set('2026-11-24T12:00:00Z');
        self::assertSame(['Archived 24 11:00'], $world->look());
    }

    public function testALeadOfAConversationCountsFromItsReturn(): void
    {
        $world = new World();
        $world->look();
        $mail = $world->conversation('Rota');
        $lead = [ReadReminder::of('a day before', $world->speaker())];
        try {
            ($world->remindOf)(World::account(), new EntryId($world->ids->next()), $mail->id, $lead);
            self::fail('There is nothing to count from.');
        } catch (Refused $refused) {
            self::assertStringContainsString('it is not away', $refused->getMessage());
        }
        $world->decide(new HandOver('Petra', 'the rota', $world->speaker()->moment('friday 3pm', 'until')), [$mail]);
        ($world->remindOf)(World::account(), new EntryId($world->ids->next()), $mail->id, $lead);
        $world->clock->set('2026-11-26T14:59:59Z');
        self::assertSame([], $world->look());
        $world->clock->set('2026-11-26T15:00:00Z');
        self::assertSame(['Rota 26 15:00'], $world->look());
    }

    /** Its reminder is that of the occurrence that is open: it does not come again for one that was completed. */
    public function testTheReminderOfARepeatMovesOn(): void
    {
        $world = new World();
        $world->look();
        $repeat = Repeat::of($world->speaker()->read('every day at 18:00'), World::zone());
        $world->makeTask(new TaskFields('Wind the clock', repeat: $repeat, reminders: [ReadReminder::of('1h before', $world->speaker())]));
        $world->clock->set('2026-11-24T17:00:00Z');
        self::assertSame(['Wind the clock 24 17:00'], $world->look());
        $world->answer->letGo(World::account(), new EntryId($world->ids->next()), $world->ringIds());
        $world->completeTasks->complete(
            World::account(),
            new EntryId($world->ids->next()),
            [$world->task('Wind the clock')->id],
            false,
            World::zone(),
        );
        $world->clock->set('2026-11-25T16:59:00Z');
        self::assertSame([], $world->look());
        $world->clock->set('2026-11-25T17:00:00Z');
        self::assertSame(['Wind the clock 25 17:00'], $world->look());
    }

    public function testTwoRemindersOfOneTaskAtOneMomentAreOne(): void
    {
        $world = new World();
        $world->look();
        $world->makeTask(new TaskFields(
            'Oil',
            due: $world->speaker()->due('today 18:00', 'due'),
            reminders: [ReadReminder::of('2 hours before', $world->speaker()), self::at($world, 'today 16:00')],
        ));
        $world->clock->set('2026-11-24T16:00:00Z');
        self::assertSame(['Oil 24 16:00'], $world->look());
    }

    /**
     * @return iterable<string, array{
     *     string, string, string, string
     * }> zone, hour of the morning, a moment just before the reminder, the reminder (UTC)
     */
    public static function mornings(): iterable
    {
        yield 'in winter' => ['2026-11-24T10:00:00Z', '07:30', '2026-11-25T07:29:59Z', 'Oil 25 07:30'];
        yield 'in summer' => ['2026-07-14T10:00:00Z', '07:30', '2026-07-15T06:29:59Z', 'Oil 15 06:30'];
        yield 'on the day on which the clocks go forward' => ['2026-03-28T10:00:00Z', '07:30', '2026-03-29T06:29:59Z', 'Oil 29 06:30'];
    }

    #[DataProvider('mornings')]
    public function testADayRemindsInThePersonsMorning(string $now, string $morning, string $before, string $up): void
    {
        $settings = new TimeSettings(marks: ['morning' => $morning]);
        $world = new World($now);
        $world->look($settings);
        $world->makeTask(new TaskFields(
            'Oil',
            due: $world->speaker()->due('tomorrow', 'due'),
            reminders: [ReadReminder::of('on the day in the morning', $world->speaker())],
        ));
        $world->clock->set($before);
        self::assertSame([], $world->look($settings));
        $world->clock->set((new \DateTimeImmutable($before))->modify('+1 second')->format(\DATE_ATOM));
        self::assertSame([$up], $world->look($settings));
    }

    /** One that is moved comes at its new moment only, also where the old one has come already. */
    public function testARemindersMomentIsMovedAndTakenOff(): void
    {
        $world = new World();
        $world->look();
        [$lead, $daily] = [self::at($world, 'the day before'), self::at($world, 'every day at 11')];
        $world->makeTask(new TaskFields('Oil', due: $world->speaker()->due('friday', 'due'), reminders: [$lead, $daily]));
        $task = $world->task('Oil');
        $moved = ($world->moveReminder)(
            World::account(),
            new EntryId($world->ids->next()),
            $task->ref(),
            $lead->text(),
            $world->speaker()->moment('tomorrow 15:00', 'to'),
        );
        self::assertSame(['Oil', 'Wed 25 Nov 2026, 15:00'], [$moved->about, $moved->consequence]);
        $off = ($world->moveReminder)(
            World::account(),
            new EntryId($world->ids->next()),
            $task->ref(),
            'every day at 11:00, from Tue 24 Nov 2026',
            null,
        );
        $world->clock->set('2026-11-26T12:00:00Z');
        self::assertSame(['Oil 25 15:00'], $world->look());
        $world->undo($off);
        $world->undo($moved);
        self::assertEquals([$lead, $daily], $world->task('Oil')->reminders());
    }

    /** @return iterable<string, array{string, string|null, string}> reminder, to, the complaint */
    public static function badMoves(): iterable
    {
        yield 'into the past' => [
            'Wed 25 Nov 2026, 11:00',
            '24 nov 9:00',
            'Tue 24 Nov 2026, 09:00 is already past. Choose a moment that is still to come.',
        ];
        yield 'what repeats' => [
            'every day at 09:00, from Wed 25 Nov 2026',
            'friday',
            'It comes again and again, so it has no one moment to move. Change it where it stands.',
        ];
        yield 'what is not there' => [
            '2 hours before',
            'friday',
            'This reminder is not there any more. It may have been changed in another window.',
        ];
        yield 'taking off what is not there' => [
            '2 hours before',
            null,
            'This reminder is not there any more. It may have been changed in another window.',
        ];
    }

    #[DataProvider('badMoves')]
    public function testAMoveThatCannotBeIsRefused(string $reminder, ?string $to, string $sentence): void
    {
        $world = new World();
        $world->makeTask(new TaskFields('Oil', reminders: [self::at($world, 'tomorrow 11:00'), self::at($world, 'every day at 9')]));
        $before = $world->state();
        try {
            ($world->moveReminder)(
                World::account(),
                new EntryId($world->ids->next()),
                $world->task('Oil')->ref(),
                $reminder,
                null === $to ? null : $world->speaker()->moment($to, 'to'),
            );
            self::fail('It was moved.');
        } catch (Refused $refused) {
            self::assertSame($sentence, $refused->getMessage());
        }
        self::assertSame($before, $world->state());
    }

    /** @return iterable<string, array{string, ReminderKind}> */
    public static function kinds(): iterable
    {
        yield 'a lead' => ['2 hours before', ReminderKind::Lead];
        yield 'a lead of the start' => ['an hour before start', ReminderKind::Lead];
        yield 'a moment' => ['friday 9am', ReminderKind::Moment];
        yield 'a repeat' => ['every 2 weeks on monday at 9', ReminderKind::Repeat];
    }

    #[DataProvider('kinds')]
    public function testHowAReminderIsMeantAndKept(string $phrase, ReminderKind $kind): void
    {
        $reminder = self::at(new World(), $phrase);
        self::assertSame([$kind, $kind], [$reminder->kind(), Reminder::fromState($reminder->state())->kind()]);
        self::assertEquals($reminder, Reminder::fromState($reminder->state()));
        self::assertSame($reminder->text(), self::at(new World(), $reminder->text())->text(), 'What it says is read as the same.');
    }

    private static function at(World $world, string $phrase): Reminder
    {
        return ReadReminder::of($phrase, $world->speaker());
    }
}
