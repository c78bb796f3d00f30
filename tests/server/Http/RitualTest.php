<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * @phpstan-import-type Json from ApiTestCase
 */
final class RitualTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $clock = $this->service(ProgramClock::class);
        $monday = new \DateTimeImmutable('next monday 08:00', new \DateTimeZone('Europe/Dublin'));
        $clock->moveForward($monday->getTimestamp() - $clock->now()->getTimestamp());
        $this->signIn();
        $this->settle(['agenda' => ['hours' => null, 'keptFree' => 0, 'from' => '07:00', 'to' => '19:00', 'days' => 7]]);
    }

    public function testADayIsLaidOut(): void
    {
        $left = $this->makeTask(['title' => 'Polish the lens', 'estimate' => '90 min', 'due' => ['phrase' => 'in 3 days']]);
        $slot = self::id();
        $this->lay($left, ['date' => $this->day(), 'time' => '10:00'], 60, $slot);
        $this->makeTask(['title' => 'Over by then', 'due' => ['phrase' => 'today']]);
        $this->makeTask(['title' => 'Due', 'estimate' => '2 hours', 'due' => ['phrase' => 'tomorrow 17:00']]);
        $this->makeTask(['title' => 'Has time', 'due' => ['phrase' => 'in 5 days']]);
        $this->makeTask(['title' => 'Begins', 'due' => ['phrase' => 'in 8 days'], 'start' => ['phrase' => 'tomorrow']]);
        $this->makeTask(['title' => 'No date']);
        $this->call('PUT', '/events/'.self::id(), ['entry' => self::id(), 'fields' => [
            'title' => 'Rota', 'when' => ['phrase' => 'tomorrow 10:00-11:00'],
        ]], 201);
        self::assertSame([['due', 'Over by then']], $this->asks('morning'));
        $this->forward(86400);

        self::assertSame(
            [['left', 'Polish the lens'], ['over', 'Over by then'], ['due', 'Due'], ['began', 'Begins']],
            $this->asks('morning'),
        );
        /** @var array<string, Json> $asks */
        $asks = array_column((array) $this->call('GET', '/rituals/morning')['asks'], null, 'why');
        self::assertSame(
            ['11:00', 90, [$slot]],
            [$asks['left']['free'], $asks['left']['minutes'], array_column((array) $asks['left']['slots'], 'id')],
        );
        self::assertSame(
            ['09:00', '11:00'],
            [$asks['began']['free'], $asks['due']['free']],
            'Half an hour fits before the rota, two do not.',
        );

        $this->call('POST', '/slots/moves', ['entry' => self::id(), 'moves' => [
            ['id' => $slot, 'when' => ['date' => $this->day(), 'time' => '11:00']],
        ]]);
        self::assertSame([['over', 'Over by then'], ['due', 'Due'], ['began', 'Begins']], $this->asks('morning'));
        $entry = $this->call('PUT', '/agenda-days/'.$this->day().'/keystone', ['entry' => self::id(), 'task' => $left]);
        self::assertSame(['choose_keystone', 'Polish the lens'], [$entry['kind'], $entry['about']]);
        $this->call('PUT', '/agenda-days/'.$this->day().'/laid-out', status: 204);
        $day = $this->today();
        self::assertSame([$left, true, false], [$day['keystone'], $day['laidOut'], $day['closed']]);
        $this->undo($entry);
        self::assertSame([null, true], [$this->today()['keystone'], $this->today()['laidOut']]);

        $this->forward(86400);
        self::assertSame(
            [['left', 'Polish the lens'], ['over', 'Over by then'], ['over', 'Due']],
            $this->asks('morning'),
            'What began has been asked about.',
        );
    }

    public function testMailThatCameBackAndWhatIsOwed(): void
    {
        $conversation = $this->receive('The grant', text: 'Could you send the figures?');
        $this->decide('snooze', [$conversation], ['phrase' => 'tomorrow 7:00']);
        self::assertSame([], $this->asks('morning'));
        $this->forward(86400);
        self::assertSame([['came_back', 'The grant']], $this->asks('morning'));
        $this->decide(
            'hand_over',
            [$conversation],
            ['phrase' => 'tomorrow 9:00'],
            more: ['by' => 'petra@isle.example', 'what' => 'the figures'],
        );
        self::assertSame([], $this->asks('morning'));
        $this->forward(86400);
        self::assertContains(['owed', 'the figures'], $this->asks('morning'));
    }

    public function testTheEveningSaysWhatWasDoneAndWhatGoesOn(): void
    {
        $done = $this->makeTask(['title' => 'Polish the lens', 'estimate' => '90 min']);
        $stays = $this->makeTask(['title' => 'Write the rota']);
        $this->lay($stays, ['date' => $this->day()], 30);
        $this->makeTask(['title' => 'Due', 'due' => ['phrase' => 'today 17:00']]);
        $this->decide('archive', [$this->receive('The grant', text: 'Thank you.')]);
        $this->call('PUT', '/clock', ['id' => self::id(), 'task' => $done]);
        $this->forward(3600);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$done]]);
        $evening = $this->call('GET', '/rituals/evening');
        self::assertSame(
            [['Polish the lens'], 1, 3600, false],
            [array_column((array) $evening['done'], 'title'), $evening['decided'], self::about($evening['worked']), $evening['closed']],
        );
        self::assertSame([['left', 'Write the rota'], ['due', 'Due']], $this->asks('evening'));
        $this->call('PUT', '/agenda-days/'.$this->day().'/closed', status: 204);
        self::assertTrue($this->call('GET', '/rituals/evening')['closed']);
    }

    public function testWhatCannotBe(): void
    {
        $task = $this->makeTask(['title' => 'Polish the lens']);
        $this->call('PUT', '/agenda-days/2026-13-01/keystone', ['entry' => self::id(), 'task' => $task], 422);
        $this->call('PUT', '/agenda-days/'.$this->day().'/keystone', ['entry' => self::id(), 'task' => self::id()], 404);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$task]]);
        $this->call('PUT', '/agenda-days/'.$this->day().'/keystone', ['entry' => self::id(), 'task' => $task], 422);
    }

    /** @return list<array{string, string}> why, and what */
    private function asks(string $when): array
    {
        return array_map(static function (mixed $ask): array {
            \assert(\is_array($ask));
            $what = (array) ($ask['task'] ?? $ask['conversation'] ?? $ask['owed']);

            return [self::text($ask['why']), self::text($what['title'] ?? $what['subject'] ?? $what['what'])];
        }, array_values((array) $this->call('GET', '/rituals/'.$when)['asks']));
    }

    /** @return Json */
    private function today(): array
    {
        /** @var Json $day */
        $day = ((array) $this->call('GET', '/agenda?days=1')['days'])[0];

        return $day;
    }

    private function forward(int $seconds): void
    {
        $this->service(ProgramClock::class)->moveForward($seconds);
    }

    /** The clock goes on while the test runs: to the minute that is full. */
    private static function about(mixed $seconds): int
    {
        self::assertIsInt($seconds);

        return $seconds - $seconds % 60;
    }
}
