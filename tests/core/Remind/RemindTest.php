<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Remind;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\When\ReadReminder;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Tests\Core\World\World;

final class RemindTest extends TestCase
{
    /** @return iterable<string, array{string, string|null, array<int, string>}> reminder, due, what is up at each look (24 Nov 10:00 and every six hours from then on) */
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
        $world->makeTask(new TaskFields('Oil', due: null === $due ? null : $world->speaker()->due($due, 'due'), reminders: [ReadReminder::of($reminder, $world->speaker())]));
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
        ($world->remindOf)(World::ACCOUNT, $world->ids->next(), $mail->id, [self::at($world, '27 nov 12:00')]);

        $world->clock->set('2026-12-24T10:00:00Z');
        $all = ['Roof 26 09:00', 'Rota 27 12:00', 'Glass 28 09:00', 'Stand-up 24 09:00 x22'];
        self::assertSame($all, $world->look());
        self::assertSame($all, $world->look(), 'None comes twice.');
        $world->clock->set('2026-11-23T10:00:00Z');
        self::assertSame($all, $world->look(), 'Nor when the clock is set back.');
        $world->clock->set('2026-12-24T10:00:01Z');
        self::assertSame($all, $world->look());
        $world->answer->letGo(World::ACCOUNT, $world->ids->next(), $world->ringIds());
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

        $gone = $world->answer->letGo(World::ACCOUNT, $world->ids->next(), $world->ringIds());
        self::assertSame([], $world->look());
        $world->undo($gone);
        self::assertSame(['Oil 24 11:00'], $world->look());

        $again = $world->answer->again(World::ACCOUNT, $world->ids->next(), $world->ringIds(), $world->speaker()->moment('in 20 minutes', 'at'));
        self::assertSame('again Tue 24 Nov 2026, 11:20', $again->consequence);
        self::assertSame(['Tue 24 Nov 2026, 11:20'], array_map(static fn (Reminder $one): string => $one->text(), $world->task('Oil')->reminders()), 'What is over is not kept beside it.');
        self::assertSame([], $world->look());
        $world->clock->set('2026-11-24T11:21:00Z');
        self::assertSame(['Oil 24 11:20'], $world->look());
        $this->expectExceptionObject(new Refused('Tue 24 Nov 2026, 11:00 is already past. Choose a moment that is still to come.', 'at'));
        $world->answer->again(World::ACCOUNT, $world->ids->next(), $world->ringIds(), $world->speaker()->moment('24 nov 11:00', 'at'));
    }

    public function testOnlyWhatIsOpenReminds(): void
    {
        $world = new World();
        $world->look();
        $world->makeTask(new TaskFields('Done', reminders: [self::at($world, 'at 11')]));
        $world->completeTasks->complete(World::ACCOUNT, $world->ids->next(), [$world->task('Done')->id], false, World::zone());
        foreach ([[new Delete(), 'Deleted'], [new Archive(), 'Archived']] as [$decision, $subject]) {
            $mail = $world->conversation($subject);
            ($world->remindOf)(World::ACCOUNT, $world->ids->next(), $mail->id, [self::at($world, 'at 11')]);
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
            ($world->remindOf)(World::ACCOUNT, $world->ids->next(), $mail->id, $lead);
            self::fail('There is nothing to count from.');
        } catch (Refused $refused) {
            self::assertStringContainsString('it is not away', $refused->getMessage());
        }
        $world->decide(new HandOver('Petra', 'the rota', $world->speaker()->moment('friday 3pm', 'until')), [$mail]);
        ($world->remindOf)(World::ACCOUNT, $world->ids->next(), $mail->id, $lead);
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
        $world->answer->letGo(World::ACCOUNT, $world->ids->next(), $world->ringIds());
        $world->completeTasks->complete(World::ACCOUNT, $world->ids->next(), [$world->task('Wind the clock')->id], false, World::zone());
        $world->clock->set('2026-11-25T16:59:00Z');
        self::assertSame([], $world->look());
        $world->clock->set('2026-11-25T17:00:00Z');
        self::assertSame(['Wind the clock 25 17:00'], $world->look());
    }

    private static function at(World $world, string $phrase): Reminder
    {
        return ReadReminder::of($phrase, $world->speaker());
    }
}
