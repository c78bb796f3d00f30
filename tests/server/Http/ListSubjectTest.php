<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Tests\Server\ApiTestCase;

/**
 * A list as the home of a subject: what happened in it, who is in it, and all of it as one text.
 */
final class ListSubjectTest extends ApiTestCase
{
    private string $list;

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn();
        $this->list = self::id();
        $this->call('POST', '/lists', ['entry' => self::id(), 'id' => $this->list, 'name' => 'Roof *survey*', 'colour' => 'sea'], 201);
    }

    public function testItsHistoryTellsWhatCameWentAndMoved(): void
    {
        $slates = $this->receive('Slates');
        $other = $this->receive('Other');
        $this->put([$slates, $other], [$this->list]);
        $task = $this->makeTask(['title' => 'Ring the roofer', 'list' => 'Roof *survey*']);
        $this->decide('archive', [$slates]);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$task], 'done' => true, 'withSubtasks' => false]);
        $this->put([$other], [], [$this->list]);
        $this->decide('archive', [$other]);
        $this->makeTask(['title' => 'Elsewhere']);
        self::assertSame([
            'put_into_list Other', 'complete_task Ring the roofer', 'archive Slates', 'add_task Ring the roofer', 'put_into_list Slates',
            'add_list Roof *survey*', 'message Slates',
        ], $this->history());
        self::assertSame(0, $this->command('data:check', [])[0], $this->command('data:check', [])[1]);
    }

    public function testALongHistoryComesInPartsAndEachOnce(): void
    {
        for ($number = 0; $number < 130; ++$number) {
            $this->makeTask(['title' => 'Case '.$number, 'list' => 'Roof *survey*']);
        }
        $first = $this->call('GET', "/lists/{$this->list}/history");
        self::assertCount(100, (array) $first['items']);
        $rest = $this->call('GET', "/lists/{$this->list}/history?after=".rawurlencode(self::text($first['next'])));
        self::assertNull($rest['next']);
        $all = [...(array) $first['items'], ...(array) $rest['items']];
        self::assertCount(
            131,
            array_unique(array_map(static fn (mixed $one): string => self::text(((array) ((array) $one)['entry'])['id']), $all)),
        );
    }

    public function testItsPeopleAreThoseWhoWroteWithWhatTheyOwe(): void
    {
        $slates = $this->receive('Slates');
        $glass = $this->receive('Glass');
        $this->put([$slates, $glass], [$this->list]);
        self::assertSame([[2, 2, 0]], $this->people());
        $this->decide(
            'hand_over',
            [$slates],
            ['phrase' => 'friday'],
            more: ['by' => 'Petra Lind <petra@lind.example>', 'what' => 'the plan'],
        );
        self::assertSame([[0, 0, 1], [2, 1, 0]], $this->people());
        $first = (array) $this->rows("/lists/{$this->list}/people")[0];
        self::assertSame(['Petra Lind', 'the plan', $slates], [
            $first['name'],
            ((array) ((array) $first['owes'])[0])['what'],
            ((array) ((array) $first['owes'])[0])['conversation'],
        ]);
    }

    public function testAllOfItIsOneText(): void
    {
        $slates = $this->receive('Slates & <b>glass</b>', text: "We have\n# Welsh ones.");
        $this->put([$slates], [$this->list]);
        $this->makeTask([
            'title' => 'Ring the roofer',
            'list' => 'Roof *survey*',
            'due' => ['date' => '2026-11-27'],
            'notes' => 'Before noon',
        ]);
        $this->call('PUT', "/lists/{$this->list}/note", ['entry' => self::id(), 'note' => 'Only **Welsh** slates.', 'was' => '']);
        $this->call('POST', "/lists/{$this->list}/references", [
            'entry' => self::id(), 'id' => self::id(), 'kind' => 'page', 'title' => 'Tides', 'url' => 'https://tides.example/a_b',
        ], 201);
        $response = $this->fetch("/lists/{$this->list}/export");
        self::assertSame('text/markdown; charset=utf-8', $response->headers->get('Content-Type'));
        self::assertStringContainsString(
            'attachment; filename="Roof *survey*.md"',
            (string) $response->headers->get('Content-Disposition'),
        );
        $text = (string) $this->browser->getInternalResponse()->getContent();
        foreach ([
            "# Roof \\*survey\\*\n", "\n## Note\n\nOnly **Welsh** slates.\n",
            "\n## To do\n\n- [ ] Ring the roofer (due 2026-11-27)\n  Before noon\n",
            "\n## To look up\n\n- [Tides](<https://tides.example/a_b>) (web page)\n",
            "\n## Letters\n\n### Slates \\& \\<b\\>glass\\</b\\>\n", "> We have\n> # Welsh ones.\n",
        ] as $piece) {
            self::assertStringContainsString($piece, $text);
        }
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        foreach (['export', 'history', 'people'] as $what) {
            $this->call('GET', "/lists/{$this->list}/{$what}", null, 404);
        }
    }

    /**
     * @param list<string> $conversations
     * @param list<string> $into
     * @param list<string> $outOf
     */
    private function put(array $conversations, array $into, array $outOf = []): void
    {
        $this->call('POST', '/lists/mail', [
            'entry' => self::id(), 'conversations' => $conversations, 'into' => $into, 'outOf' => $outOf,
        ]);
    }

    /** @return list<string> */
    private function history(): array
    {
        return array_values(array_map(static function (mixed $item): string {
            $item = (array) $item;
            $entry = (array) $item['entry'];
            $message = (array) $item['message'];

            return [] === $entry
                ? 'message '.self::text($message['subject'])
                : self::text($entry['kind']).' '.self::text($entry['about']);
        }, (array) $this->call('GET', "/lists/{$this->list}/history")['items']));
    }

    /** @return list<array{mixed, mixed, int}> of each: messages, what waits, what they owe */
    private function people(): array
    {
        return array_map(
            static fn (array $one): array => [$one['messages'], $one['waiting'], \count((array) $one['owes'])],
            $this->rows("/lists/{$this->list}/people"),
        );
    }
}
