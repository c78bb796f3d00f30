<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use ZippyTray\Server\Work\KeepLearning;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What is decided is learned from, what was learned is said, and somebody can say that it is wrong.
 */
final class ImportanceTest extends ApiTestCase
{
    public function testAHabitIsLearntAndUnlearntByUndoing(): void
    {
        $this->signIn();
        $entries = array_map(
            fn (string $subject): array => $this->decide('delete', [$this->news($subject)]),
            ['First', 'Second', 'Third', 'Fourth', 'Fifth'],
        );
        $id = $this->news('Sixth');
        $this->learn();
        $advice = (array) $this->call('GET', "/conversations/{$id}")['advice'];
        self::assertSame('delete', $advice['decision']);
        self::assertContains('You deleted the last 5 from News.', (array) $advice['reasons']);
        self::assertContains('You deleted the last 5 from News.', $this->reasons($id));

        $before = $this->score($id);
        foreach (\array_slice($entries, 2) as $entry) {
            $this->undo($entry);
        }
        $this->learn();
        self::assertSame('archive', ((array) $this->call('GET', "/conversations/{$id}")['advice'])['decision']);
        self::assertGreaterThan($before, $this->score($id));
    }

    public function testTheTrayByImportanceFollowsWhatIsDoneAndSaysWhy(): void
    {
        $this->signIn();
        foreach (['Roof', 'Gutter', 'Slates'] as $subject) {
            $this->decide('do_now', [$this->receive($subject, 'Olga Brandt <olga@roofs.example>', 'It is done.')]);
            $this->decide('delete', [$this->news($subject.' news')]);
        }
        $this->news('The week');
        $this->receive('Chimney', 'Olga Brandt <olga@roofs.example>', 'It is done, too.');
        $this->receive('Whoever', 'Somebody <s@elsewhere.example>', 'Nothing much.');
        $this->learn();
        $rows = $this->rows('/tray?order=important');
        self::assertSame(['Chimney', 'Whoever', 'The week'], array_column($rows, 'subject'));
        $glances = array_map(static fn (array $row): array => (array) $row['advice'], $rows);
        self::assertSame(['You did at once the last 3 from Olga Brandt.', 'You deleted the last 3 from News.'], [
            $glances[0]['because'],
            $glances[2]['because'],
        ]);
        $scores = array_column($glances, 'importance');
        $falling = $scores;
        rsort($falling);
        self::assertSame($falling, $scores);
        self::assertSame(['', '', ''], array_column(array_column($this->rows('/tray'), 'advice'), 'because'));
    }

    public function testSomebodySaysThatItIsWrongAndTakesItBack(): void
    {
        $this->signIn();
        $id = $this->news('The week');
        $other = $this->news('The month');
        $importance = $this->call('GET', "/conversations/{$id}/importance");
        self::assertSame(
            [['about' => 'sender', 'name' => 'News', 'said' => null], ['about' => 'kind', 'name' => 'newsletters', 'said' => null]],
            $importance['choices'],
        );
        self::assertSame('archive', $importance['advised']);
        $before = $this->score($id);

        $this->correct($id, ['about' => 'sender', 'matters' => 1]);
        self::assertGreaterThan($before + 20, $this->score($id));
        self::assertGreaterThan($before + 20, $this->score($other));
        self::assertContains('You said that this matters more.', $this->reasons($other));
        $this->correct($id, ['about' => 'kind', 'should' => 'task']);
        $advice = (array) $this->call('GET', "/conversations/{$other}")['advice'];
        self::assertSame(['task', 'You said that this is what it should be.'], [$advice['decision'], ((array) $advice['reasons'])[0]]);

        $said = array_map(static fn (array $one): array => [$one['about'], $one['name'], $one['matters'], $one['should']], $this->rows(
            '/corrections',
        ));
        sort($said);
        self::assertSame([['kind', 'newsletters', 0, 'task'], ['sender', 'News', 1, null]], $said);
        $choices = (array) $this->call('GET', "/conversations/{$other}/importance")['choices'];
        self::assertSame([1, 0], array_column(array_column($choices, 'said'), 'matters'));

        $ids = array_column($this->rows('/corrections'), 'id', 'about');
        $entry = $this->call('DELETE', '/corrections/'.self::text($ids['sender']).'?entry='.self::id());
        self::assertSame(['drop_correction', 'News'], [$entry['kind'], $entry['about']]);
        self::assertSame($before, $this->score($id));
        $this->undo($entry);
        self::assertGreaterThan($before + 20, $this->score($id));
    }

    public function testWhatCannotBeSaidIsRefused(): void
    {
        $this->signIn();
        $id = $this->receive();
        $entry = self::id();
        $path = "/conversations/{$id}/corrections";
        self::assertSame('This conversation has no such mail.', $this->call('POST', $path, [
            'entry' => $entry,
            'about' => 'list',
            'matters' => 1,
        ], 422)['detail']);
        self::assertSame('What should be different?', $this->call('POST', $path, ['entry' => $entry, 'about' => 'sender'], 422)['detail']);
        $this->call('POST', $path, ['entry' => $entry, 'about' => 'sender', 'matters' => 7], 422);
        $this->correct($id, ['about' => 'sender', 'matters' => -1]);
        $correction = self::text($this->rows('/corrections')[0]['id']);

        $this->signIn($this->account('other@ternpoint.example'));
        self::assertSame([], $this->rows('/corrections'));
        $this->call('GET', "/conversations/{$id}/importance", status: 404);
        $this->call('POST', $path, ['entry' => self::id(), 'about' => 'sender', 'matters' => 1], 404);
        $this->call('DELETE', "/corrections/{$correction}?entry=".self::id(), status: 404);
    }

    public function testItIsTheSameWhenItIsLearnedOnceMoreAndMailThatIsGoneStillCounts(): void
    {
        $this->signIn();
        $gone = $this->news('First');
        $this->decide('delete', [$gone, $this->news('Second')]);
        $undone = $this->decide('archive', [$this->receive('Roof')]);
        $this->decide('do_now', [$this->receive('Glass', 'Olga <olga@roofs.example>')]);
        $this->learn();
        $this->undo($undone);
        $this->learn();
        $before = $this->learned();
        self::assertNotSame([], $before);
        $this->call('DELETE', '/bin?id='.self::id());
        self::assertSame(['account' => 'wren@ternpoint.example', 'entries' => 2, 'conversations' => 3], $this->rebuild());
        self::assertSame($before, $this->learned());
    }

    public function testAnEntryOfWhichNothingCanBeLearnedDoesNotStopTheOthers(): void
    {
        $this->signIn();
        $this->decide('delete', [$this->news('First')]);
        $this->decide('delete', [$this->news('Second')]);
        $this->service(Connection::class)->update('journal_entry', ['changes' => '[{"kind": "nonsense"}]'], ['number' => 1]);
        $this->learn();
        $this->learn();
        self::assertSame(1, $this->service(Connection::class)->fetchOne('SELECT lessons FROM learning'));
    }

    private function news(string $subject): string
    {
        return $this->receive(
            $subject,
            'News <news@gulls.example>',
            'The news of the week: gulls.',
            "List-Unsubscribe: <https://gulls.example/off>\r\n",
        );
    }

    private function learn(): void
    {
        $this->service(KeepLearning::class)(static fn (): bool => false);
    }

    /** @phpstan-impure */
    private function score(string $id): int
    {
        $score = $this->call('GET', "/conversations/{$id}/importance")['score'];
        self::assertIsInt($score);

        return $score;
    }

    /** @return array<mixed> */
    private function reasons(string $id): array
    {
        return (array) $this->call('GET', "/conversations/{$id}/importance")['reasons'];
    }

    /** @param array<string, mixed> $word */
    private function correct(string $id, array $word): void
    {
        $entry = $this->call('POST', "/conversations/{$id}/corrections", ['entry' => self::id()] + $word);
        self::assertSame(['correct', ['correction']], [$entry['kind'], $entry['touched']]);
    }

    /**
     * @phpstan-impure
     *
     * @return list<array<string, mixed>>
     */
    private function learned(): array
    {
        return $this->service(Connection::class)->fetchAllAssociative('SELECT trait, matters, leans FROM learned_trait ORDER BY trait');
    }

    private function rebuild(): mixed
    {
        $kernel = self::$kernel;
        self::assertNotNull($kernel);
        $tester = new CommandTester((new Application($kernel))->find('importance:rebuild'));
        self::assertSame(1, $tester->execute(['--account' => 'nobody@ternpoint.example']));
        self::assertSame(0, $tester->execute(['--account' => 'wren@ternpoint.example']));

        return json_decode($tester->getDisplay(), true, flags: \JSON_THROW_ON_ERROR);
    }
}
