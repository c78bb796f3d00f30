<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Server\Store\DatabaseTrouble;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * One row that is not as it should be costs itself, and nothing else.
 */
final class DamagedTest extends ApiTestCase
{
    /** @return iterable<string, array{string, list<string>}> what is done to the damaged one, subjects that are still listed */
    public static function damages(): iterable
    {
        $all = ['Damaged', 'Fine', 'Last'];
        yield 'its reminders' => ["UPDATE conversation SET reminders = '{\"a' WHERE subject = 'Damaged'", $all];
        yield 'its moment of return' => [
            "UPDATE conversation SET place = 'away', away_reason = 'snooze', away_until = 'a' WHERE subject = 'Damaged'",
            ['Fine', 'Last'],
        ];
        yield 'its moment of return, which is no moment' => [
            "UPDATE conversation SET place = 'away', away_reason = 'snooze', away_until = 'some day' WHERE subject = 'Damaged'",
            ['Fine', 'Last'],
        ];
        yield 'what was found in it' => [
            "UPDATE message_findings SET findings = '{\"kind\":\"none\"}' WHERE message_id IN (SELECT id FROM message WHERE subject = "
                ."'Damaged')",
            $all,
        ];
        yield 'what was found is no JSON' => [
            "UPDATE message_findings SET findings = 'x' WHERE message_id IN (SELECT id FROM message WHERE subject = 'Damaged')",
            $all,
        ];
        yield 'what there is to say of it' => [
            "UPDATE message SET remarks = '[{\"kind\":\"none\",\"about\":\"\",\"other\":\"\"}]' WHERE subject = 'Damaged'",
            $all,
        ];
        yield 'its text' => ["UPDATE message SET text = CAST(x'fffe41c3' AS TEXT) WHERE subject = 'Damaged'", $all];
        yield 'its zone' => ["UPDATE message SET sent_zone = 'Nowhere/None' WHERE subject = 'Damaged'", $all];
        yield 'its attachments' => ["UPDATE message SET attachments = '[{}]' WHERE subject = 'Damaged'", $all];
    }

    /** @param list<string> $subjects */
    #[DataProvider('damages')]
    public function testTheRestIsThere(string $damage, array $subjects): void
    {
        $this->signIn();
        $damaged = $this->receive('Damaged');
        $this->receive('Fine');
        $this->receive('Last');
        self::assertGreaterThan(0, $this->service(Connection::class)->executeStatement($damage));
        // Its own page can be told nothing that its own row does not hold.
        $own = str_starts_with($damage, 'UPDATE conversation') ? [] : ['/conversations/'.$damaged];
        foreach ([
            ...$own,
            '/tray',
            '/find?words=shall',
            '/rest',
            '/journal',
            '/heartbeat',
            '/coming',
            '/people?words=tam',
            '/persons/tam@glass.example',
        ] as $path) {
            $this->browser->request('GET', '/api'.$path);
            self::assertContains(
                $this->browser->getResponse()->getStatusCode(),
                [200, '/persons/tam@glass.example' === $path ? 404 : 200],
                $path.' '.$this->browser->getResponse()->getContent(),
            );
        }
        $tray = array_column($this->rows('/tray'), 'subject');
        sort($tray);
        self::assertSame($subjects, $tray);
        [] === $own || $this->decide('archive', [$damaged]);
    }

    public function testWhatIsDamagedIsFoundAllTheSame(): void
    {
        $this->signIn();
        $damaged = $this->receive('Damaged');
        $this->receive('Fine');
        $this->service(Connection::class)->executeStatement(
            "UPDATE conversation SET latest_at = 'one day or other' WHERE subject = 'Damaged'",
        );
        foreach (['/find?words=shall', '/find', '/find?words=shall&place=tray'] as $path) {
            $this->browser->request('GET', '/api'.$path);
            /** @var array{total: int, rows: list<array<string, mixed>>} $found */
            $found = json_decode((string) $this->browser->getResponse()->getContent(), true);
            self::assertSame([2, 2], [$found['total'], \count($found['rows'])], $path);
            self::assertContains($damaged, array_column($found['rows'], 'id'));
        }
    }

    public function testEachSayingOfTheDatabaseHasItsSentence(): void
    {
        foreach ([
            'attempt to write a readonly database' => 'cannot be written to',
            'database or disk is full' => 'The disk is full',
            'database is locked' => 'does not let go',
            'unable to open database file' => 'cannot be opened',
            'database disk image is malformed' => 'damaged',
            'file is not a database' => 'something else',
            'disk I/O error' => 'The disk does not work',
            'no such table: task' => 'not up to date',
        ] as $said => $sentence) {
            $problem = new \RuntimeException('It did not work.', 0, new \PDOException('SQLSTATE[HY000]: General error: '.$said));
            self::assertStringContainsString($sentence, (string) DatabaseTrouble::sentence($problem));
        }
        self::assertNull(DatabaseTrouble::sentence(new \RuntimeException('database or disk is full')), 'Somebody else may say so, too.');
        self::assertNull(DatabaseTrouble::sentence(new \PDOException('near "x": syntax error')));
    }
}
