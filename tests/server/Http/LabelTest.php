<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Books\JournalExplains;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Labels on conversations and tasks.
 */
final class LabelTest extends ApiTestCase
{
    public function testMailAndTasksAreFoundByWhatTheyBearAndCounted(): void
    {
        $this->signIn();
        [$glass, $slates, $rota] = array_map(fn (string $subject): string => $this->receive($subject), ['Glass', 'Slates', 'Rota']);
        $this->makeTask(['title' => 'Paint', 'labels' => ['HARBOUR']]);
        $this->put([$glass, $slates], ['harbour', 'money']);
        $this->decide('archive', [$slates]);
        $harbour = $this->label('harbour');
        self::assertSame(['HARBOUR', 1, 2, 1], [$harbour['name'], $harbour['tray'], $harbour['conversations'], $harbour['tasks']]);
        self::assertSame([['HARBOUR', 'money'], []], array_map($this->labelsOf(...), [$glass, $rota]));

        $of = '?label='.self::text($harbour['id']);
        foreach (['grouped', 'important', 'oldest', 'newest'] as $order) {
            self::assertSame(['Glass'], array_column($this->rows("/tray{$of}&order={$order}"), 'subject'), $order);
        }
        self::assertSame([2, ['Glass', 'Slates']], $this->found($of));
        self::assertSame([1, ['Slates']], $this->found($of.'&place=archive'));
        self::assertSame([1, ['Slates']], $this->found($of.'&words=sla'));
        self::assertSame(['Paint'], array_column($this->tasks('?label='.self::text($harbour['id'])), 'title'));
        self::assertSame(['Paint'], array_column($this->tasks('?words=harb'), 'title'));

        $this->put([$glass, $slates], [], ['harbour']);
        self::assertSame([0, []], $this->found($of));
    }

    public function testWhatIsDealtWithIsNotCountedUnderWhatStandsUntilThen(): void
    {
        $this->signIn();
        [$glass, $slates] = array_map(fn (string $subject): string => $this->receive($subject), ['Glass', 'Slates']);
        $this->put([$glass, $slates], ['today']);
        $id = self::text($this->label('today')['id']);
        $this->call('PUT', "/labels/{$id}", ['entry' => self::id(), 'name' => 'today', 'colour' => 'rust', 'untilDealt' => true]);
        // As if it had been put on a while ago: what is decided in the same second counts as decided before.
        $this->service(Connection::class)->executeStatement("UPDATE conversation_label SET since = '2020-01-01T00:00:00Z'");
        $entry = $this->decide('archive', [$glass]);
        $this->decide('snooze', [$slates], ['phrase' => 'in 3 days']);
        self::assertSame([[], ['today']], array_map($this->labelsOf(...), [$glass, $slates]));
        $today = $this->label('today');
        self::assertSame([0, 1, 'rust', true], [$today['tray'], $today['conversations'], $today['colour'], $today['untilDealt']]);
        self::assertSame([1, ['Slates']], $this->found('?label='.$id));
        $this->undo($entry);
        self::assertSame([2, ['Glass', 'Slates']], $this->found('?label='.$id));
        self::assertSame(1, $this->label('today')['tray']);
    }

    public function testMergedAndDeletedOnesComeBackByUndoing(): void
    {
        $this->signIn();
        $mail = $this->receive('Glass');
        $this->put([$mail], ['harbor']);
        $this->call('POST', '/labels', ['entry' => self::id(), 'name' => 'Harbour', 'colour' => 'sky'], 201);
        $into = self::text($this->label('Harbour')['id']);
        $merged = $this->call('PUT', '/labels/'.self::text($this->label('harbor')['id']).'/into', ['entry' => self::id(), 'into' => $into]);
        self::assertSame([['Harbour'], 1], [$this->labelsOf($mail), $this->label('Harbour')['tray']]);
        self::assertSame([1, ['Glass']], $this->found('?label='.$into));
        $deleted = $this->call('DELETE', "/labels/{$into}?entry=".self::id());
        self::assertSame([[], []], [$this->labelsOf($mail), $this->rows('/labels')]);
        $this->call('DELETE', "/labels/{$into}?entry=".self::id(), status: 404);
        $this->undo($deleted);
        $this->undo($merged);
        self::assertSame([['harbor'], 0], [$this->labelsOf($mail), $this->label('Harbour')['tray']]);
        self::assertSame([], $this->service(JournalExplains::class)->look()->examples);
    }

    public function testALabelThatWasMadeWithASteppingGoesWithItUnlessSomethingElseBearsIt(): void
    {
        $this->signIn();
        $mail = $this->receive('Glass');
        $first = $this->put([$mail], ['harbour']);
        $this->undo($first);
        self::assertSame([], $this->rows('/labels'));
        $first = $this->put([$mail], ['harbour']);
        $this->makeTask(['title' => 'Paint', 'labels' => ['harbour']]);
        $this->undo($first);
        $harbour = $this->label('harbour');
        self::assertSame(['harbour', 0, 1], [$harbour['name'], $harbour['tray'], $harbour['tasks']]);
    }

    public function testNobodySeesTheLabelsOfAnother(): void
    {
        $this->signIn();
        $mail = $this->receive('Glass');
        $this->put([$mail], ['harbour']);
        $id = self::text($this->label('harbour')['id']);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        self::assertSame([], $this->rows('/labels'));
        self::assertSame([0, []], $this->found('?label='.$id));
        $this->call('PUT', "/labels/{$id}", ['entry' => self::id(), 'name' => 'mine', 'colour' => 'sea'], 404);
        $this->call('POST', '/labelled', ['entry' => self::id(), 'conversations' => [$mail], 'on' => ['mine']], 404);
        $this->call('PUT', '/unread', ['conversations' => [$mail], 'unread' => true], 404);
    }

    public function testWhatWasReadIsUnreadAgain(): void
    {
        $this->signIn();
        $mail = [$this->receive('Glass'), $this->receive('Slates')];
        foreach ([false, true] as $unread) {
            $this->call('PUT', '/unread', ['conversations' => $mail, 'unread' => $unread], 204);
            self::assertSame([$unread, $unread], array_column($this->rows('/tray'), 'unread'));
        }
    }

    public function testWhatCannotBeIsSaid(): void
    {
        $this->signIn();
        $mail = $this->receive('Glass');
        foreach ([[], ['on' => ['  ']], ['on' => [str_repeat('x', 41)]]] as $fields) {
            $problem = $this->call('POST', '/labelled', ['entry' => self::id(), 'conversations' => [$mail]] + $fields, 422);
            self::assertNotSame('', $problem['detail']);
        }
        $this->put([$mail], ['harbour']);
        $fields = ['entry' => self::id(), 'name' => 'HARBOUR', 'colour' => 'sea'];
        self::assertSame('There is a label "harbour" already.', $this->call('POST', '/labels', $fields, 422)['detail']);
    }

    /**
     * @param list<string> $conversations
     * @param list<string> $on
     * @param list<string> $off
     *
     * @return array<mixed>
     */
    private function put(array $conversations, array $on, array $off = []): array
    {
        return $this->call('POST', '/labelled', ['entry' => self::id(), 'conversations' => $conversations, 'on' => $on, 'off' => $off]);
    }

    /** @return array<string, mixed> */
    private function label(string $name): array
    {
        foreach ($this->rows('/labels') as $label) {
            if (mb_strtolower($name) === mb_strtolower(self::text($label['name']))) {
                return $label;
            }
        }
        self::fail("There is no label {$name}.");
    }

    /** @return list<mixed> their names */
    private function labelsOf(string $conversation): array
    {
        $row = (array) $this->call('GET', "/conversations/{$conversation}")['row'];

        return array_column((array) $row['labels'], 'name');
    }

    /** @return array{mixed, list<mixed>} how many, and their subjects */
    private function found(string $query): array
    {
        $page = $this->call('GET', '/find'.$query);
        $subjects = array_column((array) $page['rows'], 'subject');
        sort($subjects);

        return [$page['total'], $subjects];
    }
}
