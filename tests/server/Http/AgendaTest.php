<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Days that hold what was promised, or do not.
 *
 * @phpstan-import-type Json from ApiTestCase
 */
final class AgendaTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        // A Monday morning, before anybody works.
        $clock = $this->service(ProgramClock::class);
        $monday = new \DateTimeImmutable('next monday 06:00', new \DateTimeZone('Europe/Dublin'));
        $clock->moveForward($monday->getTimestamp() - $clock->now()->getTimestamp());
        $this->signIn();
        $this->settle(['agenda' => ['hours' => null, 'keptFree' => 50, 'from' => '07:00', 'to' => '19:00', 'days' => 7]]);
    }

    public function testATaskIsLaidOnAnHourMovedAndTakenAway(): void
    {
        $task = $this->makeTask(['title' => 'Polish the lens', 'estimate' => '90 min']);
        $slot = self::id();
        $entry = $this->lay($task, ['date' => $this->day(1), 'time' => '09:30'], 60, $slot);
        self::assertSame(['lay_slot', 'Polish the lens'], [$entry['kind'], $entry['about']]);
        $this->lay($task, ['date' => $this->day(2)]);
        [, $tuesday, $wednesday] = $this->agenda();
        self::assertSame(
            [['09:30', 60, false], [null, 30, false]],
            [...self::shown($tuesday), ...self::shown($wednesday)],
            'What is left of the estimate lies at no hour in particular.',
        );
        self::assertSame([240, 60], [$tuesday['there'], $tuesday['promised']]);

        $moved = $this->call('POST', '/slots/moves', [
            'entry' => self::id(),
            'moves' => [['id' => $slot, 'when' => ['date' => $this->day(2), 'time' => '14:00'], 'minutes' => 45]],
        ]);
        self::assertSame(
            [[], [[null, 30, false], ['14:00', 45, false]]],
            [self::shown($this->agenda()[1]), self::shown($this->agenda()[2])],
        );
        $this->undo($moved);
        self::assertSame([['09:30', 60, false]], self::shown($this->agenda()[1]));
        $dropped = $this->call('POST', '/slots/removals', ['entry' => self::id(), 'slots' => [$slot]]);
        self::assertSame([], self::shown($this->agenda()[1]));
        $this->undo($dropped);
        self::assertSame([['09:30', 60, false]], self::shown($this->agenda()[1]));
    }

    public function testWhatDoesNotFitBeforeItIsDueIsNamed(): void
    {
        $report = $this->makeTask(['title' => 'The interim report', 'estimate' => '9h', 'due' => ['date' => $this->day(1)]]);
        $days = $this->agenda();
        self::assertSame([[240, 240], [240, 240], [240, 0]], array_map(
            static fn (array $day): array => [$day['there'], $day['promised']],
            \array_slice($days, 0, 3),
        ));
        self::assertSame([$report], $days[1]['due']);
        $short = (array) $this->call('GET', '/agenda')['short'];
        self::assertSame([['task' => $report, 'minutes' => 60, 'by' => $this->day(1)]], $short);
        $this->lay($report, ['date' => $this->day()], 540);
        $days = $this->agenda();
        self::assertSame([540, []], [$days[0]['promised'], $days[1]['due']], 'It lies on Monday, which is too much for it.');
        self::assertSame([], $this->call('GET', '/agenda')['short']);
        self::assertSame(['The interim report'], array_column((array) $this->call('GET', '/agenda')['tasks'], 'title'));
    }

    public function testWaysOutAreProposedAndEachIsPreviewed(): void
    {
        $report = $this->makeTask(['title' => 'The interim report', 'estimate' => '9h', 'due' => ['date' => $this->day(1)]]);
        $other = $this->makeTask(['title' => 'Polish', 'estimate' => '4h', 'due' => ['date' => $this->day(2)]]);
        /** @var list<array{kind: string, day: string|null, minutes: int|null, short: list<mixed>}> $ways */
        $ways = $this->call('GET', "/ways/{$report}");
        self::assertSame(
            [['later', $this->day(3), null, []], ['less', null, 480, []], ['hand_over', null, null, []]],
            array_map(static fn (array $way): array => [$way['kind'], $way['day'], $way['minutes'], $way['short']], $ways),
        );
        self::assertSame([], $this->call('GET', "/ways/{$other}"), 'It fits.');
        $slot = self::id();
        $this->lay($other, ['date' => $this->day(2), 'time' => '09:00'], 100, $slot);
        $this->lay($other, ['date' => $this->day(2), 'time' => '11:00'], 200);
        self::assertSame(['other_day', $this->day(3)], [
            self::way($this->call('GET', "/ways/{$slot}"))['kind'], self::way($this->call('GET', "/ways/{$slot}"))['day'],
        ]);
        self::assertSame(
            [[240, 240], [240, 240], [240, 300]],
            array_map(
                static fn (mixed $day): array => [((array) $day)['there'], ((array) $day)['promised']],
                \array_slice($this->call('GET', '/balances?count=5'), 0, 3),
            ),
        );
        self::assertCount(5, $this->call('GET', '/balances?count=5'));
    }

    public function testTheShareKeptFreeIsProposedByWhatCameIn(): void
    {
        self::assertNull($this->call('GET', '/share-kept-free')['share'], 'Nothing is known yet.');
        for ($day = 0; $day < 5; ++$day) {
            foreach ([60, 36] as $minutes) {
                $task = $this->makeTask(['title' => 'What came up', 'estimate' => "{$minutes} min"]);
                $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$task]]);
            }
            $planned = $this->makeTask(['title' => 'Planned', 'estimate' => '300 min']);
            $this->service(ProgramClock::class)->moveForward(86400);
            $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$planned]]);
        }
        $this->service(ProgramClock::class)->moveForward(23 * 86400);
        // Five days of 96 minutes, of twenty with eight hours each.
        self::assertSame(['share' => 5, 'clearing' => 0, 'unplanned' => 24], $this->call('GET', '/share-kept-free'));
    }

    public function testHoursAreOnesOwnAndTodayHasWhatIsLeft(): void
    {
        $hours = ['1' => ['from' => '08:00', 'to' => '12:00'], '6' => ['from' => '20:00', 'to' => '00:00']];
        $settings = $this->settle(['agenda' => ['hours' => $hours, 'keptFree' => 0, 'from' => '06:00', 'to' => '22:00', 'days' => 3]]);
        self::assertEquals($hours, ((array) $settings['agenda'])['hours']);
        self::assertSame([240, 0, 0, 0, 0, 240, 0], array_column($this->agenda(), 'there'));
        $this->service(ProgramClock::class)->moveForward(3 * 3600);
        self::assertSame(180, $this->agenda()[0]['there']);
        $backwards = ['1' => ['from' => '12:00', 'to' => '08:00']];
        foreach ([['hours' => $backwards], ['days' => 4], ['keptFree' => 99], ['hours' => 'x'], ['from' => 'x']] as $wrong) {
            $this->settle(['agenda' => $wrong + ['hours' => null, 'keptFree' => 0, 'from' => '06:00', 'to' => '22:00', 'days' => 3]], 422);
        }
        $days = array_map(static fn (int $day): string => (string) $day, range(1, 7));
        $all = $this->settle(['agenda' => [
            'hours' => array_combine($days, array_fill(0, 7, ['from' => '09:00', 'to' => '10:00'])),
            'keptFree' => 0, 'from' => '06:00', 'to' => '22:00', 'days' => 3,
        ]]);
        self::assertCount(7, (array) ((array) $all['agenda'])['hours'], 'All days of the week are days of the week still.');
    }

    public function testWhatIsDoneStaysWhereItLayAndAsksForNoTime(): void
    {
        $task = $this->makeTask(['title' => 'Polish the lens', 'estimate' => '60 min']);
        $this->lay($task, ['date' => $this->day(), 'time' => '10:00']);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$task]]);
        $today = $this->agenda()[0];
        self::assertSame([[['10:00', 60, true]], 0], [self::shown($today), $today['promised']]);
        $this->lay($task, ['phrase' => 'tomorrow'], status: 422);
    }

    public function testWhatIsPutOnAnHourIsOneStep(): void
    {
        $conversation = $this->receive('Lantern glass');
        $task = self::id();
        $this->call('POST', '/tasks', ['entry' => self::id(), 'tasks' => [[
            'id' => $task,
            'fields' => ['title' => 'Choose a glass', 'estimate' => '45 min'],
            'conversation' => ['id' => $conversation],
            'slot' => ['id' => self::id(), 'when' => ['date' => $this->day(1), 'time' => '10:00']],
        ]]], 201);
        self::assertSame([['10:00', 45, false]], self::shown($this->agenda()[1]));
        [$entry] = $this->entries();
        self::assertSame(['make_task', 'Choose a glass', 1], [$entry['kind'], $entry['about'], $entry['count']]);
        $this->undo($entry);
        self::assertSame([[], []], [$this->agenda()[1]['slots'], $this->tasks()]);
        self::assertSame(['Lantern glass'], array_column($this->rows('/tray'), 'subject'));

        $one = $this->makeTask(['title' => 'Polish the lens']);
        $other = $this->makeTask(['title' => 'Wind the clock']);
        $this->call('POST', '/slots', ['entry' => self::id(), 'slots' => [
            ['id' => self::id(), 'task' => $one, 'when' => ['date' => $this->day(1)]],
            ['id' => self::id(), 'task' => $other, 'when' => ['date' => $this->day(1)], 'minutes' => 20],
        ]]);
        self::assertCount(2, self::shown($this->agenda()[1]));
        $this->undo($this->entries()[0]);
        self::assertSame([], $this->agenda()[1]['slots']);
    }

    public function testAskingForWhatIsOwedIsOneStep(): void
    {
        $conversation = $this->receive('Lantern glass');
        $more = ['by' => 'tam@glass.example', 'what' => 'the price'];
        $this->decide('hand_over', [$conversation], ['phrase' => 'in 2 days at 9'], more: $more);
        [$owed] = $this->rows('/owed');
        $this->call('POST', '/tasks', [
            'entry' => self::id(),
            'asked' => ['id' => $owed['id'], 'until' => ['phrase' => 'in 6 days at 9']],
            'tasks' => [[
                'id' => self::id(), 'fields' => ['title' => 'Ask Tam: the price'],
                'slot' => ['id' => self::id(), 'when' => ['date' => $this->day(1)], 'minutes' => 10],
            ]],
        ], 201);
        self::assertSame([[null, 10, false]], self::shown($this->agenda()[1]));
        [$entry] = $this->entries();
        self::assertStringContainsString('has until', self::text($entry['consequence']));
        $this->undo($entry);
        self::assertSame([[], []], [$this->agenda()[1]['slots'], $this->tasks()]);
        self::assertStringContainsString($this->day(2), (string) json_encode($this->call('GET', '/owed')));
    }

    public function testNonsenseIsRefusedAndSlotsBelongToOnePerson(): void
    {
        $task = $this->makeTask(['title' => 'Polish the lens']);
        $slot = self::id();
        $this->lay($task, ['phrase' => 'tomorrow at 9'], null, $slot);
        foreach ([['blursday', null], ['every friday', null], ['tomorrow', 3], ['tomorrow', 1441]] as [$phrase, $minutes]) {
            $this->lay($task, ['phrase' => $phrase], $minutes, status: 422);
        }
        $this->lay(self::id(), ['phrase' => 'tomorrow'], status: 404);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        self::assertSame(array_fill(0, 7, []), array_column($this->agenda(), 'slots'));
        $this->call('POST', '/slots/removals', ['entry' => self::id(), 'slots' => [$slot]], 404);
        $move = ['id' => $slot, 'when' => ['phrase' => 'tomorrow']];
        $this->call('POST', '/slots/moves', ['entry' => self::id(), 'moves' => [$move]], 404);
    }

    public function testASlotThatIsDamagedDoesNotTakeTheDaysWithIt(): void
    {
        $task = $this->makeTask(['title' => 'Polish the lens']);
        foreach (['10:00', '11:00'] as $time) {
            $this->lay($task, ['date' => $this->day(), 'time' => $time]);
        }
        $this->service(Connection::class)->executeStatement("UPDATE slot SET at = at || 'x' WHERE rowid = (SELECT MIN(rowid) FROM slot)");
        self::assertCount(1, self::shown($this->agenda()[0]));
    }

    /** @return list<Json> what was done last, the newest first */
    private function entries(): array
    {
        /** @var list<Json> $entries */
        $entries = $this->call('GET', '/journal')['entries'];

        return $entries;
    }

    /** @return list<Json> a week from today */
    private function agenda(): array
    {
        /** @var list<Json> $days */
        $days = $this->call('GET', '/agenda')['days'];

        return $days;
    }

    /**
     * @param Json $day
     *
     * @return list<array{mixed, mixed, mixed}>
     */
    private static function shown(array $day): array
    {
        return array_map(
            static fn (mixed $slot): array => [((array) $slot)['time'], ((array) $slot)['minutes'], ((array) $slot)['done']],
            array_values((array) $day['slots']),
        );
    }

    /**
     * @param array<mixed> $ways
     *
     * @return array<mixed> the first
     */
    private static function way(array $ways): array
    {
        return (array) ($ways[0] ?? []);
    }
}
