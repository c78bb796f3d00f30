<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Tests\Server\ApiTestCase;

final class ClockTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn();
    }

    public function testStartedPausedAndSetRight(): void
    {
        $task = $this->task('Polish the lens', 30);
        self::assertNull($this->call('GET', '/heartbeat')['clock']);
        $started = (array) $this->call('PUT', '/clock', ['id' => self::id(), 'task' => $task])['clock'];
        self::assertSame([$task, 'Polish the lens', 0], [$started['task'], $started['title'], $started['before']]);
        $this->forward(600);
        self::assertSame($started, $this->call('GET', '/heartbeat')['clock']);
        $other = $this->task('Write the rota', null);
        $this->call('PUT', '/clock', ['id' => self::id(), 'task' => $other]);
        $time = (array) $this->call('GET', "/tasks/{$task}")['time'];
        self::assertSame([600, ''], [self::about($time['seconds']), $time['usual']]);
        $this->forward(120);
        $paused = (array) $this->call('DELETE', '/clock')['paused'];
        self::assertSame([$other, 120], [$paused['task'], self::about($paused['seconds'])]);
        self::assertNull($this->call('DELETE', '/clock')['paused']);
        $stretch = self::text($paused['id']);
        $entry = $this->call('POST', "/stretches/{$stretch}/corrections", ['entry' => self::id(), 'took' => '45 min']);
        self::assertSame(['correct_time', 'Write the rota', '45 minutes'], [$entry['kind'], $entry['about'], $entry['consequence']]);
        self::assertSame(2700, ((array) $this->call('GET', "/tasks/{$other}")['time'])['seconds']);
        $problem = $this->call('POST', "/stretches/{$stretch}/corrections", ['entry' => self::id(), 'took' => 'ages'], 422);
        self::assertSame(['took'], array_column((array) $problem['violations'], 'field'));
        $this->call('POST', "/stretches/{$stretch}/corrections", ['entry' => self::id(), 'took' => null]);
        self::assertSame(0, ((array) $this->call('GET', "/tasks/{$other}")['time'])['seconds']);
        $this->call('POST', "/stretches/{$stretch}/corrections", ['entry' => self::id(), 'took' => '10 min'], 404);
    }

    public function testTheBeatTellsThatAnotherClockRuns(): void
    {
        $task = $this->task('Polish the lens', 30);
        $before = ((array) $this->call('GET', '/heartbeat')['marks'])['clock'];
        $this->call('PUT', '/clock', ['id' => self::id(), 'task' => $task]);
        self::assertNotSame($before, ((array) $this->call('GET', '/heartbeat')['marks'])['clock']);
    }

    public function testWhatIsDoneRunsNoMore(): void
    {
        $task = $this->task('Polish the lens', 30);
        $this->call('PUT', '/clock', ['id' => self::id(), 'task' => $task]);
        $this->forward(300);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$task]]);
        self::assertNull($this->call('GET', '/heartbeat')['clock']);
        self::assertSame(300, self::about(((array) $this->call('GET', "/tasks/{$task}")['time'])['seconds']));
        $this->call('PUT', '/clock', ['id' => self::id(), 'task' => $task], 422);
        $this->call('PUT', '/clock', ['id' => self::id(), 'task' => self::id()], 404);
    }

    /** Ten are enough: then the days reckon with it. */
    public function testEstimatesLearn(): void
    {
        $open = $this->makeTask(['title' => 'Write the minutes', 'estimate' => '60 min', 'due' => ['phrase' => 'in 20 days']]);
        $promised = [];
        for ($number = 1; $number <= 10; ++$number) {
            $task = $this->task("Write letter {$number}", 20);
            $this->call('PUT', '/clock', ['id' => self::id(), 'task' => $task]);
            $this->forward(30 * 60);
            $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'done' => true, 'tasks' => [$task]]);
            $promised[] = $this->promised();
        }
        self::assertSame([...array_fill(0, 9, 60), 90], $promised);
        self::assertSame('usually 1.5 times that', ((array) $this->call('GET', "/tasks/{$open}")['time'])['usual']);
    }

    public function testWhatWasDoneAtOnceSaysNothingOfTasks(): void
    {
        $conversation = self::id();
        for ($number = 1; $number <= 12; ++$number) {
            $this->call('POST', '/clock/at-once', [
                'id' => self::id(), 'conversation' => $conversation, 'title' => 'Write back', 'minutes' => 2, 'seconds' => 300,
            ], 204);
        }
        self::assertSame('', ((array) $this->call('GET', '/tasks/'.$this->task('Write back', 20))['time'])['usual']);
        self::assertSame('usually 2.5 times that', $this->call('GET', '/clock/at-once?title=Write+to+Petra')['usual']);
    }

    private function promised(): int
    {
        $promised = 0;
        foreach ($this->call('GET', '/balances?count=30') as $day) {
            \assert(\is_array($day) && \is_int($day['promised']));
            $promised += $day['promised'];
        }

        return $promised;
    }

    private function task(string $title, ?int $estimate): string
    {
        return $this->makeTask(['title' => $title] + (null === $estimate ? [] : ['estimate' => "{$estimate} min"]));
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
