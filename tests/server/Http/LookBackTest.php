<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Work\KeepFigures;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * @phpstan-import-type Json from ApiTestCase
 */
final class LookBackTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $clock = $this->service(ProgramClock::class);
        $monday = new \DateTimeImmutable('next monday 09:00', new \DateTimeZone('Europe/Dublin'));
        $clock->moveForward($monday->getTimestamp() - $clock->now()->getTimestamp());
        $this->signIn();
    }

    public function testTheWeekIsGoneThrough(): void
    {
        $done = $this->makeTask(['title' => 'Polish the lens', 'estimate' => '60 min', 'list' => 'Lantern']);
        $this->call('PUT', '/agenda-days/'.$this->day().'/keystone', ['entry' => self::id(), 'task' => $done]);
        $this->makeTask(['title' => 'Write the rota', 'due' => ['phrase' => 'wednesday'], 'list' => 'Rota']);
        $this->makeTask(['title' => 'Some day', 'list' => 'Rota']);
        $laid = $this->makeTask(['title' => 'Without date, but laid', 'list' => 'Rota']);
        $often = $this->makeTask(['title' => 'Paint the door', 'due' => ['phrase' => 'tomorrow'], 'list' => 'Rota']);
        foreach ([9, 10, 11] as $days) {
            $this->call('POST', '/tasks/put-offs', [
                'entry' => self::id(), 'tasks' => [$often], 'to' => ['phrase' => "in {$days} days"], 'what' => null,
            ]);
        }
        $back = $this->receive('The grant', text: 'Could you send the figures?');
        $this->decide('hand_over', [$back], ['phrase' => 'in 20 days'], more: ['by' => 'petra@isle.example', 'what' => 'the figures']);
        $this->decide('archive', [$this->receive('The shop', text: 'Thank you.')]);
        $this->receive('Still there', text: 'Hello.');
        $this->call('PUT', '/clock', ['id' => self::id(), 'task' => $done]);
        $this->forward(90 * 60);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$done]]);
        self::assertLessThan($this->day(), $this->look()['from'], 'On a Monday one looks back over the week before.');

        $this->forward(4 * 86400 + 6 * 3600);
        $this->lay($laid, ['date' => $this->day(3)], 30);
        $look = $this->look();
        self::assertSame(
            [$this->day(-4), $this->day(2), 'completed', false],
            [$look['from'], $look['until'], $look['stop'], $look['begun']],
        );
        self::assertSame(
            [['Polish the lens'], ['chosen' => 1, 'done' => 1]],
            [array_column((array) $look['completed'], 'title'), $look['keystones']],
        );
        self::assertSame(
            ['over' => ['Write the rota'], 'put_off' => ['Paint the door'], 'owed' => [], 'no_date' => ['Some day']],
            self::asked($look),
        );
        self::assertContains('Lantern', array_column((array) $look['lists'], 'name'));
        self::assertNotContains('Rota', array_column((array) $look['lists'], 'name'));
        self::assertSame(1, ((array) $look['tray'])['conversations']);
        self::assertCount(14, (array) $look['ahead']);
        /** @var Json $week */
        $week = ((array) $look['figures'])[\count((array) $look['figures']) - 1];
        $figures = (array) $week['figures'];
        self::assertSame(
            [2, 2, 3, 1, 60, 5400, 5400, 1.5],
            [
                $figures['decided'], $figures['touched'], $figures['putOffs'], $figures['completed'], $figures['estimated'],
                self::about($figures['took']), self::about($figures['worked']), $week['ratio'],
            ],
        );

        $this->forward(5 * 86400);
        self::assertSame(['the figures'], self::asked($this->look())['owed'], 'Asked more than a week ago, and silent.');
    }

    public function testItGoesOnWhereItWasLeftAndTheNextWeekBeginsAnew(): void
    {
        $this->forward(4 * 86400);
        $week = self::text($this->look()['from']);
        $this->call('PUT', "/look-back/{$week}/stops/owed", status: 204);
        self::assertSame(['owed', true, false], [$this->look()['stop'], $this->look()['begun'], $this->look()['ended']]);
        $this->call('PUT', "/look-back/{$week}/end", status: 204);
        self::assertTrue($this->look()['ended']);
        $this->call('PUT', "/look-back/{$week}/stops/nowhere", status: 404);
        $this->forward(7 * 86400);
        self::assertSame(['completed', false], [$this->look()['stop'], $this->look()['begun']]);
    }

    /** What a week came to is kept, also when what it was counted from is gone. */
    public function testFiguresAreKeptWeekByWeek(): void
    {
        $task = $this->makeTask(['title' => 'Polish the lens']);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$task]]);
        $this->forward(8 * 86400);
        $keep = $this->service(KeepFigures::class);
        $keep->do($this->service(ProgramClock::class)->now());
        $this->call('DELETE', '/done?entry='.self::id());
        $this->service(Connection::class)->executeStatement('UPDATE journal_entry SET undone_by = id');
        $keep->do($this->service(ProgramClock::class)->now());
        $this->forward(3 * 86400);
        $figures = (array) $this->look()['figures'];
        self::assertCount(13, $figures, 'Twelve weeks, and this one.');
        /** @var list<Json> $figures */
        self::assertSame(
            [1, 0],
            array_map(static fn (array $one): mixed => ((array) $one['figures'])['completed'], \array_slice($figures, -2)),
        );
    }

    /** @return Json */
    private function look(): array
    {
        /** @var Json $look */
        $look = $this->call('GET', '/look-back');

        return $look;
    }

    /**
     * @param Json $look
     *
     * @return array<string, list<string>> by stop
     */
    private static function asked(array $look): array
    {
        $asked = [];
        foreach ((array) $look['asks'] as $stop => $asks) {
            $asked[(string) $stop] = array_map(static function (mixed $ask): string {
                \assert(\is_array($ask));
                $what = (array) ($ask['task'] ?? $ask['conversation'] ?? $ask['owed']);

                return self::text($what['title'] ?? $what['subject'] ?? $what['what']);
            }, array_values((array) $asks));
        }

        return $asked;
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
