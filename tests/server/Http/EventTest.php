<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What takes place.
 *
 * @phpstan-import-type Json from ApiTestCase
 *
 * @phpstan-type EventShown array{
 *     title: string, key: string, place: string, begins: Json, ends: Json, busy: bool, told: bool, people: int
 * }
 */
final class EventTest extends ApiTestCase
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

    public function testAnEventIsMadeChangedMovedAndTakenAway(): void
    {
        $id = self::id();
        $made = $this->make(
            $id,
            ['title' => 'Roof meeting', 'when' => ['phrase' => 'wednesday 14:00-16:00'], 'place' => 'Keeper’s kitchen'],
        );
        self::assertSame(['make_event', 'Roof meeting', ['event']], [$made['kind'], $made['about'], $made['touched']]);
        [$event] = $this->events();
        self::assertSame(
            [
                'Roof meeting',
                'Keeper’s kitchen',
                ['date' => $this->day(2), 'time' => '14:00'],
                ['date' => $this->day(2), 'time' => '16:00'],
                true,
            ],
            [$event['title'], $event['place'], $event['begins'], $event['ends'], $event['busy']],
        );
        self::assertSame(
            [240, 240, 180],
            \array_slice(array_column((array) $this->call('GET', '/agenda')['days'], 'there'), 0, 3),
            'It takes hours.',
        );

        $sheet = $this->call('GET', "/events/{$id}");
        $changed = $this->change($id, ['title' => 'Roof', 'when' => ['phrase' => $sheet['when']], 'reminders' => ['30 min before']]);
        self::assertSame(['Roof', '', ['30 minutes before']], [
            $this->events()[0]['title'], $this->events()[0]['place'], $this->call('GET', "/events/{$id}")['reminders'],
        ]);
        $this->undo($changed);
        self::assertSame('Roof meeting', $this->events()[0]['title']);
        $moved = $this->move($id, null, ['date' => $this->day(3), 'time' => '09:15']);
        self::assertSame([$this->day(3), '09:15', '11:15'], [
            $this->events()[0]['begins']['date'], $this->events()[0]['begins']['time'], $this->events()[0]['ends']['time'],
        ]);
        $this->undo($moved);
        $removed = $this->call('POST', "/events/{$id}/removals", ['entry' => self::id()]);
        self::assertSame([], $this->events());
        $this->undo($removed);
        self::assertSame('14:00', $this->events()[0]['begins']['time']);
    }

    public function testOneOfASeriesIsMovedAndAnotherLeftOut(): void
    {
        $id = self::id();
        $this->make($id, ['title' => 'Standup', 'when' => ['phrase' => 'every weekday 9:00-9:15']]);
        self::assertCount(5, $this->events());
        $keys = array_column($this->events(), 'key');
        $this->move($id, $keys[1], ['date' => $this->day(1), 'time' => '16:00', 'minutes' => 30]);
        $this->call('POST', "/events/{$id}/removals", ['entry' => self::id(), 'key' => $keys[2]]);
        self::assertSame(['09:00', '16:00', '09:00', '09:00'], array_column(array_column($this->events(), 'begins'), 'time'));
        self::assertSame([false, true, false, false], array_column($this->events(), 'told'));
        $this->change(
            $id,
            ['title' => 'Short standup', 'when' => ['phrase' => $this->call('GET', "/events/{$id}")['when']], 'repeat' => null],
        );
        self::assertSame(['Short standup', 'Standup', 'Short standup', 'Short standup'], array_column($this->events(), 'title'));
        self::assertSame('every weekday', $this->call('GET', "/events/{$id}")['repeat']);
        $this->call('POST', "/events/{$id}/removals", ['entry' => self::id(), 'key' => '2020-01-01T00:00:00Z'], 404);
        $this->call('GET', "/events/{$id}?key=2020-01-01", status: 404);
        $this->change($id, ['title' => 'Once', 'when' => ['date' => $this->day(4)], 'repeat' => '']);
        self::assertSame([['Once', false, null]], array_map(
            static fn (array $one): array => [$one['title'], $one['busy'], $one['begins']['time']],
            $this->events(),
        ));
    }

    public function testAnEventKeepsTheZoneInWhichItWasMeant(): void
    {
        $id = self::id();
        $this->make($id, ['title' => 'Glass works', 'when' => ['phrase' => 'tuesday 9:00', 'zone' => 'America/New_York']]);
        self::assertSame('14:00', $this->events()[0]['begins']['time']);
        self::assertSame('America/New_York', $this->call('GET', "/events/{$id}")['zone']);
        $this->move($id, null, ['date' => $this->day(1), 'time' => '15:00']);
        self::assertSame('America/New_York', $this->call('GET', "/events/{$id}")['zone']);
        self::assertStringContainsString('10:00 to 11:00', self::text($this->call('GET', "/events/{$id}")['when']));
        $this->call('PUT', '/events/'.self::id(), ['entry' => self::id(), 'fields' => [
            'title' => 'x', 'when' => ['phrase' => 'tuesday', 'zone' => 'Mars/Base'],
        ]], 422);
    }

    public function testJottedInOneLine(): void
    {
        $line = 'event Roof meeting; thursday 2-4pm; at Keeper’s kitchen; with ilse@isle.example';
        $read = $this->call('POST', '/jot', ['line' => $line]);
        self::assertSame(['event', ['title', 'when', 'place', 'people']], [$read['makes'], array_column((array) $read['clauses'], 'kind')]);
        $this->call('PUT', '/jot', ['entry' => self::id(), 'id' => self::id(), 'line' => $line], 201);
        self::assertSame(['Roof meeting', 1], [$this->events()[0]['title'], $this->events()[0]['people']]);
        self::assertSame('task', $this->call('POST', '/jot', ['line' => 'event Roof meeting'])['makes']);
    }

    public function testWhatIsWrittenIsReadWhileOneTypes(): void
    {
        $read = $this->call('GET', '/when?as=event&phrase='.rawurlencode('every friday 2-4pm'));
        self::assertSame([true, 'moment', 'FREQ=WEEKLY;BYDAY=FR'], [$read['understood'], $read['kind'], $read['rrule']]);
        self::assertFalse($this->call('GET', '/when?as=event&phrase=blursday')['understood']);
    }

    public function testItRemindsEachTimeAndIsAnswered(): void
    {
        $id = self::id();
        $this->make($id, ['title' => 'Standup', 'when' => ['phrase' => 'every weekday 9:00-9:15'], 'reminders' => ['30 min before']]);
        $this->make(self::id(), ['title' => 'Once', 'when' => ['phrase' => 'today 20:00'], 'reminders' => ['today 9:10']]);
        self::assertSame([], $this->rings());
        $clock = $this->service(ProgramClock::class);
        $clock->moveForward(160 * 60);
        self::assertSame([['Standup', $this->day(), '09:00']], array_map(self::rung(...), $this->rings()));
        $ring = self::text($this->rings()[0]['id']);
        $this->call('POST', '/rings/let-go', ['entry' => self::id(), 'rings' => [$ring]]);
        self::assertSame([], $this->rings());
        $clock->moveForward(40 * 60);
        self::assertSame([['Once', $this->day(), '20:00']], array_map(self::rung(...), $this->rings()));
        $clock->moveForward(24 * 3600);
        $names = array_column(array_map(self::rung(...), $this->rings()), 1, 0);
        self::assertSame(['Once' => $this->day(-1), 'Standup' => $this->day()], $names);
        $this->call('POST', "/events/{$id}/removals", ['entry' => self::id()]);
        self::assertSame(['Once'], array_column(array_map(self::rung(...), $this->rings()), 0), 'What is gone reminds no more.');
    }

    public function testAMessageIsProposedAsAnEventAndIsItsSource(): void
    {
        $letter = "The roof meeting is on 20 May 2031 at 14:00 to 16:00,\r\nin Keeper’s kitchen.";
        $conversation = $this->receive('Roof meeting', '"Norgaard, Ilse" <ilse@isle.example>', $letter, "Cc: tam@glass.example\r\n");
        $message = self::text(((array) ((array) $this->call('GET', "/conversations/{$conversation}")['messages'])[0])['id']);
        $proposal = $this->call('GET', "/events/proposals/{$message}");
        self::assertSame(['Roof meeting', 'Keeper’s kitchen', true], [$proposal['title'], $proposal['place'], $proposal['found']]);
        self::assertStringContainsString('ilse@isle.example', self::text($proposal['people']));
        self::assertStringContainsString('tam@glass.example', self::text($proposal['people']));
        self::assertStringNotContainsString('wren@', self::text($proposal['people']));
        $marked = array_filter((array) $proposal['pieces'], static fn (mixed $piece): bool => true === ((array) $piece)['marked']);
        self::assertSame(['on 20 May 2031 at 14:00 to 16:00', 'Keeper’s kitchen'], array_column($marked, 'text'));
        $id = self::id();
        $this->call('PUT', "/events/{$id}", ['entry' => self::id(), 'source' => $message, 'fields' => [
            'title' => $proposal['title'], 'when' => ['phrase' => $proposal['when']], 'place' => $proposal['place'],
        ]], 201);
        self::assertSame($message, ((array) $this->call('GET', "/events/{$id}")['event'])['source']);
        $empty = $this->receive('Nothing', text: 'Hello.');
        $message = self::text(((array) ((array) $this->call('GET', "/conversations/{$empty}")['messages'])[0])['id']);
        $nothing = $this->call('GET', "/events/proposals/{$message}");
        self::assertSame([false, '', []], [$nothing['found'], $nothing['when'], $nothing['pieces']]);
        $this->call('GET', '/events/proposals/'.self::id(), null, 404);
    }

    public function testOnceMoreRightBehindItself(): void
    {
        $id = self::id();
        $this->make($id, ['title' => 'Standup', 'when' => ['phrase' => 'every day 9:00-9:15'], 'people' => 'ilse@isle.example']);
        $first = $this->events()[0];
        $copy = self::id();
        $entry = $this->call('POST', "/events/{$id}/copies", ['entry' => self::id(), 'copy' => $copy, 'key' => $first['key']], 201);
        self::assertSame('make_event', $entry['kind']);
        $sheet = $this->call('GET', "/events/{$copy}");
        self::assertStringContainsString('09:15 to 09:30', self::text($sheet['when']));
        self::assertSame(['', []], [$sheet['repeat'], $sheet['participants']]);
        $this->undo($entry);
        $this->call('GET', "/events/{$copy}", null, 404);
    }

    public function testNonsenseIsRefusedByName(): void
    {
        $fine = ['title' => 'Roof', 'when' => ['phrase' => 'friday']];
        foreach ([
            'title' => ['title' => ' '], 'when' => ['when' => ['phrase' => 'blursday']], 'repeat' => ['repeat' => 'blursday'],
            'reminders' => ['reminders' => ['blub']], 'people' => ['people' => 'nobody'],
        ] as $field => $wrong) {
            $problem = $this->call('PUT', '/events/'.self::id(), ['entry' => self::id(), 'fields' => $wrong + $fine], 422);
            self::assertSame([$field], array_column((array) $problem['violations'], 'field'));
        }
        $this->call('PUT', '/events/'.self::id(), ['entry' => self::id(), 'fields' => ['repeat' => 'friday'] + $fine], 422);
        $this->call('PUT', '/events/'.self::id(), ['entry' => self::id(), 'fields' => [
            'when' => ['date' => $this->day(), 'time' => '10:00', 'minutes' => 900_000],
        ] + $fine], 422);
    }

    public function testEventsBelongToOnePersonAndDamageStaysWithOne(): void
    {
        foreach ([self::id(), self::id(), $last = self::id()] as $number => $id) {
            $this->make($id, ['title' => 'Event '.$number, 'when' => ['phrase' => 'friday']]);
        }
        $this->service(Connection::class)->executeStatement("UPDATE event SET state = '{' WHERE title = 'Event 1'");
        self::assertSame(['Event 0', 'Event 2'], array_column($this->events(), 'title'));
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        self::assertSame([], $this->events());
        $this->call('GET', "/events/{$last}", status: 404);
        $this->call('POST', "/events/{$last}/removals", ['entry' => self::id()], 404);
        $this->call(
            'POST',
            '/events/moves',
            ['entry' => self::id(), 'moves' => [['id' => $last, 'when' => ['date' => $this->day()]]]],
            404,
        );
    }

    /** What lies far off is not read. */
    public function testOnlyWhatLiesAboutTheDaysIsRead(): void
    {
        $this->make(self::id(), ['title' => 'Conference', 'when' => ['date' => $this->day(-1), 'days' => 5]]);
        $this->make(self::id(), ['title' => 'Last week', 'when' => ['date' => $this->day(-5)]]);
        self::assertSame(['Conference'], array_column($this->events(), 'title'));
        self::assertSame([$this->day(-1), $this->day(3)], [$this->events()[0]['begins']['date'], $this->events()[0]['ends']['date']]);
        $plan = json_encode($this->service(Connection::class)->fetchAllAssociative(
            "EXPLAIN QUERY PLAN SELECT id FROM event WHERE account_id = 'a' AND repeats = 0 AND day BETWEEN 'a' AND 'b' AND last_day "
                .">= 'c'",
        ), \JSON_THROW_ON_ERROR);
        self::assertStringContainsString('event_day (account_id=? AND repeats=? AND day>? AND day<?)', $plan);
    }

    /**
     * @param Json $fields
     *
     * @return array<mixed>
     */
    private function make(string $id, array $fields): array
    {
        return $this->call('PUT', '/events/'.$id, ['entry' => self::id(), 'fields' => $fields], 201);
    }

    /**
     * @param Json $fields
     *
     * @return array<mixed>
     */
    private function change(string $id, array $fields): array
    {
        return $this->call('POST', "/events/{$id}/changes", ['entry' => self::id(), 'fields' => $fields]);
    }

    /**
     * @param Json $when
     *
     * @return array<mixed>
     */
    private function move(string $id, ?string $key, array $when): array
    {
        return $this->call('POST', '/events/moves', ['entry' => self::id(), 'moves' => [['id' => $id, 'key' => $key, 'when' => $when]]]);
    }

    /** @return list<EventShown> of a week */
    private function events(): array
    {
        /** @var list<EventShown> $events */
        $events = $this->call('GET', '/agenda')['events'];

        return $events;
    }

    /**
     * @return list<Json>
     *
     * @phpstan-impure
     */
    private function rings(): array
    {
        /** @var list<Json> $rings */
        $rings = $this->call('GET', '/heartbeat')['rings'];

        return $rings;
    }

    /**
     * @param Json $ring
     *
     * @return array{mixed, mixed, mixed} title, day and time
     */
    private static function rung(array $ring): array
    {
        $event = (array) $ring['event'];
        $begins = (array) $event['begins'];

        return [$event['title'], $begins['date'], $begins['time']];
    }
}
