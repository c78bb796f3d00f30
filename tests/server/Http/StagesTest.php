<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What stands at the stages of lists.
 */
final class StagesTest extends ApiTestCase
{
    private string $list;

    /** @var array<string, string> ids by name */
    private array $stages = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn();
        $this->list = self::id();
        $this->call('POST', '/lists', ['entry' => self::id(), 'id' => $this->list, 'name' => 'Visits', 'colour' => 'sea'], 201);
        foreach (['Asked', 'Offered', 'Agreed'] as $name) {
            $this->stages[$name] = self::id();
        }
        $this->stages();
    }

    public function testTheyStandOnALineAndOnTheirRows(): void
    {
        [$holm, $tarn] = [$this->receive('Holm'), $this->receive('Tarn')];
        $task = $this->makeTask(['title' => 'Rope at the stairs', 'list' => 'Visits']);
        $this->decide('archive', [$tarn]);
        $this->put([$holm, $tarn]);
        self::assertSame('Asked: Holm | off: Tarn, Rope at the stairs', $this->line());
        self::assertSame('Asked', $this->stageOf('/tray'));
        $moved = $this->to([['conversation', $tarn], ['task', $task]], 'Offered');
        self::assertSame(
            ['move_card', 'Tarn', 'Visits: to Offered', 2],
            [$moved['kind'], $moved['about'], $moved['consequence'], $moved['count']],
        );
        self::assertSame('Asked: Holm | Offered: Tarn, Rope at the stairs', $this->line());
        self::assertSame('Offered', $this->stageOf('/tasks?list='.$this->list, 'tasks'));
        $this->along([['conversation', $holm]], 1);
        self::assertSame('Offered: Tarn, Rope at the stairs, Holm', $this->line());
        $this->to([['conversation', $holm]], 'Offered', ['task', $task]);
        $first = $this->to([['task', $task]], 'Offered', null, 200, true);
        self::assertSame('Offered: Rope at the stairs, Tarn, Holm', $this->line());
        $this->undo($first);
        self::assertSame('Offered: Tarn, Rope at the stairs, Holm', $this->line());
        $this->along([['conversation', $tarn]], 5);
        self::assertSame('Offered: Rope at the stairs, Holm | Agreed: Tarn', $this->line());
        $this->along([['conversation', $tarn]], 1, 422);
        self::assertSame(0, $this->command('data:check', [])[0], $this->command('data:check', [])[1]);
    }

    public function testWhatIsDecidedMovesAlongInTheSameStep(): void
    {
        $this->stages(['Asked' => ['onwards' => 'done'], 'Offered' => ['onwards' => 'handed_over']]);
        [$holm, $tarn] = [$this->receive('Holm'), $this->receive('Tarn')];
        $this->put([$holm, $tarn]);
        $entry = $this->decide('archive', [$holm, $tarn]);
        self::assertSame('Offered: Holm, Tarn', $this->line());
        self::assertStringEndsWith('Visits: to Offered', \is_string($entry['consequence']) ? $entry['consequence'] : '');
        $this->undo($entry);
        self::assertSame('Asked: Holm, Tarn', $this->line());
    }

    public function testWhatStandsTooLongComesUp(): void
    {
        $this->stages(['Offered' => ['days' => 3]]);
        $holm = $this->receive('Holm');
        $task = $this->makeTask(['title' => 'Rope', 'list' => 'Visits']);
        $this->put([$holm]);
        $this->to([['conversation', $holm], ['task', $task]], 'Offered');
        $this->call('GET', '/heartbeat');
        $coming = $this->call('GET', '/coming');
        self::assertStringContainsString(
            '3 days at “Offered” of Visits',
            json_encode($coming, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
        );
        self::assertSame([], $this->rings());
        $this->call('POST', '/demo/clock', ['to' => 'week']);
        $this->call('GET', '/heartbeat');
        self::assertSame(
            ['3 days at “Offered” of Visits', '3 days at “Offered” of Visits'],
            $this->rings(),
        );
        $places = (array) $this->call('GET', "/lists/{$this->list}/stages")['stages'];
        self::assertSame([0, 2, 0, 0], array_column($places, 'up'));
        self::assertSame([true, true], array_column((array) ((array) $places[1])['cards'], 'up'));
        $this->along([['conversation', $holm], ['task', $task]], 1);
        self::assertSame([0, 0, 0, 0], array_column((array) $this->call('GET', "/lists/{$this->list}/stages")['stages'], 'up'));
    }

    public function testALongStageComesInParts(): void
    {
        $ids = [];
        for ($number = 0; $number < 130; ++$number) {
            $ids[] = ['task', $this->makeTask(['title' => \sprintf('Case %03d', $number), 'list' => 'Visits'])];
        }
        $this->to($ids, 'Agreed');
        $at = fn (string $query): array => (array) ((array) $this->call('GET', "/lists/{$this->list}/stages".$query)['stages'])[2];
        self::assertSame([130, 100], [$at('')['total'], \count((array) $at('')['cards'])]);
        $titles = array_map(
            static fn (mixed $card): mixed => ((array) ((array) $card)['task'])['title'],
            (array) $at('?most=200')['cards'],
        );
        self::assertSame(array_map(static fn (int $number): string => \sprintf('Case %03d', $number), range(0, 129)), $titles);
        $this->call('GET', "/lists/{$this->list}/stages?most=1001", null, 404);
    }

    public function testDamagedStagesKeepNobodyFromDeciding(): void
    {
        $holm = $this->receive('Holm');
        $this->put([$holm]);
        foreach (['[{"id":"a"},5,{"id":"b","name":"B","onwards":"never"}]', '[{"id":1,"name":[]}]', '{}'] as $damaged) {
            $this->service(Connection::class)->executeStatement('UPDATE task_list SET stages = ?', [$damaged]);
            $entry = $this->decide('archive', [$holm]);
            $this->undo($entry);
            $this->call('GET', '/tray');
            $this->call('GET', '/heartbeat');
        }
    }

    public function testNobodyElseSeesOrMovesThem(): void
    {
        $holm = $this->receive('Holm');
        $this->put([$holm]);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        $this->call('GET', "/lists/{$this->list}/stages", null, 404);
        $this->to([['conversation', $holm]], 'Offered', null, 404);
        $this->along([['conversation', $holm]], 1, 422);
        $this->call('PUT', "/lists/{$this->list}/stages", ['entry' => self::id(), 'stages' => [], 'were' => []], 404);
    }

    /** @param array<string, array<string, mixed>> $with by name */
    private function stages(array $with = []): void
    {
        $this->call('PUT', "/lists/{$this->list}/stages", [
            'entry' => self::id(),
            'stages' => array_map(
                fn (string $name): array => ['id' => $this->stages[$name], 'name' => $name] + ($with[$name] ?? []),
                array_keys($this->stages),
            ),
            'were' => array_column((array) ((array) $this->rows('/lists')[0])['stages'], 'id'),
        ]);
    }

    /** @param list<string> $conversations */
    private function put(array $conversations): void
    {
        $this->call('POST', '/lists/mail', ['entry' => self::id(), 'conversations' => $conversations, 'into' => [$this->list]]);
    }

    /**
     * @param list<array{string, string}> $cards
     *
     * @return list<array{kind: string, id: string}>
     */
    private static function names(array $cards): array
    {
        return array_map(static fn (array $card): array => ['kind' => $card[0], 'id' => $card[1]], $cards);
    }

    /**
     * @param list<array{string, string}> $cards
     * @param array{string, string}|null  $behind
     *
     * @return array<mixed>
     */
    private function to(array $cards, string $stage, ?array $behind = null, int $status = 200, bool $first = false): array
    {
        return $this->call('PUT', "/lists/{$this->list}/cards", [
            'entry' => self::id(),
            'cards' => self::names($cards),
            'stage' => $this->stages[$stage],
            'behind' => null === $behind ? null : self::names([$behind])[0],
            'first' => $first,
        ], $status);
    }

    /**
     * @param list<array{string, string}> $cards
     *
     * @return array<mixed>
     */
    private function along(array $cards, int $by, int $status = 200): array
    {
        return $this->call('POST', '/lists/along', ['entry' => self::id(), 'cards' => self::names($cards), 'by' => $by], $status);
    }

    private function stageOf(string $path, ?string $in = null): mixed
    {
        $rows = null === $in ? $this->rows($path) : (array) $this->call('GET', $path)[$in];
        $row = (array) $rows[0];

        return ((array) ($row['list'] ?? ((array) $row['lists'])[0]))['stage'];
    }

    /**
     * @phpstan-impure
     *
     * @return array<mixed> what the reminders that are up say
     */
    private function rings(): array
    {
        return array_column((array) $this->call('GET', '/heartbeat')['rings'], 'reminder');
    }

    private function line(): string
    {
        $line = [];
        foreach ((array) $this->call('GET', "/lists/{$this->list}/stages")['stages'] as $place) {
            $place = (array) $place;
            $names = array_map(static function (mixed $card): string {
                $card = (array) $card;
                $name = ((array) $card['conversation'])['subject'] ?? ((array) $card['task'])['title'] ?? '';

                return \is_string($name) ? $name : '';
            }, (array) $place['cards']);
            $name = ((array) $place['stage'])['name'] ?? 'off';
            $line[] = [] === $names ? '' : (\is_string($name) ? $name : '').': '.implode(', ', $names);
        }

        return implode(' | ', array_filter($line));
    }
}
