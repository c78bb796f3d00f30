<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Tests\Server\ApiTestCase;

final class HeartbeatTest extends ApiTestCase
{
    public function testNothingIsSentAsLongAsNothingHasChanged(): void
    {
        $this->signIn();
        $id = $this->receive();
        $first = $this->beat();
        self::assertSame(304, $this->beat($first['tag'])['status']);
        self::assertSame('', $this->browser->getResponse()->getContent());
        self::assertLessThan(600, \strlen((string) $this->browser->getResponse()));
        self::assertSame(200, $this->beat('"something else"')['status']);

        $this->decide('archive', [$id]);
        $decided = $this->beat($first['tag']);
        self::assertSame([200, 0], [$decided['status'], $decided['body']['counts']['tray'] ?? null]);
        self::assertSame(
            [1, 0],
            [self::mark($decided, 'journal') - self::mark($first, 'journal'), self::mark($decided, 'mail') - self::mark($first, 'mail')],
        );
        $this->receive('Another');
        $arrived = $this->beat($decided['tag']);
        self::assertSame(
            [200, 1, 1],
            [$arrived['status'], $arrived['body']['counts']['tray'] ?? null, self::mark($arrived, 'mail') - self::mark($decided, 'mail')],
        );
        $this->settle(['mailEndsSnooze' => false]);
        self::assertSame(200, $this->beat($arrived['tag'])['status']);
    }

    public function testTheNextMomentIsThatOfWhateverComesFirst(): void
    {
        $this->signIn();
        $midnight = $this->beat()['body']['next'];
        self::assertSame($this->day(1).' 00:00', self::local($midnight));

        $clock = $this->service(ProgramClock::class);
        $in = static fn (int $minutes): array => ['phrase' => 'in '.$minutes.' min'];
        $id = $this->receive();
        $this->decide('snooze', [$id], $in(50));
        $this->assertNext($clock, 50);
        $this->makeTask(['title' => 'Due', 'due' => $in(40)]);
        $this->assertNext($clock, 40);
        $this->makeTask(['title' => 'Start', 'start' => $in(30)]);
        $this->assertNext($clock, 30);
        $this->makeTask(['title' => 'Remind', 'reminders' => ['in 20 min']]);
        $this->assertNext($clock, 20);
        $this->call('PUT', "/conversations/{$id}/reminders", ['entry' => self::id(), 'reminders' => ['in 10 min', 'every day at 3am']]);
        $this->assertNext($clock, 10);
        $tag = $this->beat()['tag'];
        $clock->moveForward(60 * 10 + 1);
        $passed = $this->beat($tag);
        self::assertSame([200, 1], [$passed['status'], \count($passed['body']['rings'])], 'At that moment there is something new.');
    }

    public function testRemindersAreAnswered(): void
    {
        $this->signIn();
        $this->beat();
        $done = $this->makeTask(
            ['title' => 'Polish the lens', 'reminders' => ['in 10 min', 'in 20 min']],
            ['conversation' => ['id' => $this->receive('Lens')]],
        );
        $id = $this->receive('Rota');
        $this->call('PUT', "/conversations/{$id}/reminders", ['entry' => self::id(), 'reminders' => ['in 15 min']]);
        $this->call('POST', '/demo/clock', ['to' => 'hour']);
        $rings = $this->beat()['body']['rings'];
        self::assertSame(
            ['Polish the lens', 'Rota', 'Polish the lens'],
            array_map(static fn (array $ring): mixed => $ring['task']['title'] ?? $ring['conversation']['subject'] ?? null, $rings),
        );
        self::assertSame(['Tam Achterberg', true], [$rings[0]['task']['source']['who'] ?? null, $rings[0]['late']]);

        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$done], 'done' => true]);
        [$left] = $this->beat()['body']['rings'];
        $again = $this->call('POST', '/rings/again', ['entry' => self::id(), 'rings' => [$left['id']], 'at' => ['phrase' => 'in 2 hours']]);
        self::assertSame(['remind_again', 'Rota', 1], [$again['kind'], $again['about'], $again['count']]);
        self::assertSame([], $this->beat()['body']['rings']);
        $this->undo($again);
        self::assertCount(1, $this->beat()['body']['rings']);
        $gone = $this->call('POST', '/rings/let-go', ['entry' => self::id(), 'rings' => [$left['id']]]);
        self::assertSame([], $this->beat()['body']['rings']);
        $this->undo($gone);
        self::assertCount(1, $this->beat()['body']['rings']);
        $problem = $this->call(
            'POST',
            '/rings/again',
            ['entry' => self::id(), 'rings' => [$left['id']], 'at' => ['phrase' => '1 jan 2020']],
            422,
        );
        self::assertIsString($problem['detail']);
        self::assertStringContainsString('already past', $problem['detail']);
        $this->call('POST', '/rings/let-go', ['entry' => self::id(), 'rings' => [self::id()]], 404);

        $this->decide('delete', [$id]);
        self::assertSame([], $this->beat()['body']['rings'], 'What is deleted reminds no more.');
    }

    public function testOneDoesNotSeeAnothersReminders(): void
    {
        $this->signIn();
        $this->beat();
        $this->makeTask(['title' => 'Mine', 'reminders' => ['in 10 min']]);
        $this->call('POST', '/demo/clock', ['to' => 'hour']);
        [$mine] = $this->beat()['body']['rings'];
        $this->signIn($this->account('petra@ternpoint.example'));
        self::assertSame([], $this->beat()['body']['rings']);
        $this->call('POST', '/rings/let-go', ['entry' => self::id(), 'rings' => [$mine['id']]], 404);
    }

    private function assertNext(ProgramClock $clock, int $minutes): void
    {
        $next = new \DateTimeImmutable($this->beat()['body']['next']);
        self::assertEqualsWithDelta($clock->now()->getTimestamp() + 60 * $minutes, $next->getTimestamp(), 65);
    }

    /**
     * @return array{
     *     status: int, tag: string,
     *     body: array{
     *     next: string, marks: array<string, mixed>, counts: array<string, int>,
     *     rings: list<array{
     *     id: string, late: bool, task: array{title: string, source: array{who: string}|null}|null,
     *     conversation: array{subject: string}|null
     * }>
     * }
     * }
     */
    private function beat(string $tag = ''): array
    {
        $this->browser->request('GET', '/api/heartbeat', server: ['HTTP_IF_NONE_MATCH' => $tag]);
        $response = $this->browser->getResponse();
        $body = ['next' => '', 'marks' => [], 'counts' => [], 'rings' => []];
        if (200 === $response->getStatusCode()) {
            self::contract()->assertResponse('GET', '/api/heartbeat', 200, 'application/json', (string) $response->getContent());
            /**
             * @var array{
             *     next: string, marks: array<string, mixed>, counts: array<string, int>,
             *     rings: list<array{
             *     id: string, late: bool, task: array{title: string, source: array{who: string}|null}|null,
             *     conversation: array{subject: string}|null
             * }>
             * } $body
             */
            $body = json_decode((string) $response->getContent(), true, 64, \JSON_THROW_ON_ERROR);
        }

        return ['status' => $response->getStatusCode(), 'tag' => $response->headers->get('ETag') ?? '', 'body' => $body];
    }

    /** @param array{body: array{marks: array<string, mixed>}} $beat */
    private static function mark(array $beat, string $name): int
    {
        $mark = $beat['body']['marks'][$name] ?? null;

        return \is_int($mark) ? $mark : -1;
    }

    private static function local(string $instant): string
    {
        return (new \DateTimeImmutable($instant))->setTimezone(new \DateTimeZone('Europe/Dublin'))->format('Y-m-d H:i');
    }
}
