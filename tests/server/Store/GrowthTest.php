<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use ZippyTray\Bench\Mailbox;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Mailroom\ImportMail;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * The short form of the benchmark: what is asked for does as much with 20,000 messages as with 1,000, in statements, rows and
 * bytes. What SQLite does for a statement is looked at by PlanTest, and how long it takes by ./zippy bench.
 */
final class GrowthTest extends ApiTestCase
{
    private const SMALL = 1000;

    private const LARGE = 20_000;

    /** How much more there may be; a page that was not full is fuller. */
    private const MOST = 1.3;

    public function testNothingGrowsWithTheMailbox(): void
    {
        $account = $this->signIn();
        $this->bringIn($account, new Mailbox(40, true, true, 3), Place::Tray);
        $this->bringIn($account, new Mailbox(self::SMALL, true), Place::Archive);
        $this->fillAPageOfTheJournal();
        $few = $this->measure();
        $this->bringIn($account, new Mailbox(self::LARGE - self::SMALL, true, seed: 5), Place::Archive);
        $many = $this->measure();
        $grown = [];
        foreach ($few as $name => $before) {
            foreach ($before as $what => $count) {
                if ($many[$name][$what] > self::MOST * $count + ('bytes' === $what ? 500 : 3)) {
                    $grown[] = "{$name}: {$count} {$what}, then {$many[$name][$what]}";
                }
            }
        }
        self::assertSame([], $grown);
    }

    private function fillAPageOfTheJournal(): void
    {
        [$first] = array_map(self::text(...), array_column($this->rows('/tray'), 'id'));
        for ($time = 0; $time < 30; ++$time) {
            $this->undo($this->decide('archive', [$first]));
        }
    }

    /** @return array<string, array{statements: int, rows: int, bytes: int}> */
    private function measure(): array
    {
        $tray = array_map(self::text(...), array_column($this->rows('/tray'), 'id'));
        $all = [];
        foreach ([
            'tray' => '/tray', 'open' => '/conversations/'.$tray[0], 'check' => '/rest', 'heartbeat' => '/heartbeat',
            'journal' => '/journal',
            'people' => '/people?words=pet', 'coming' => '/coming', 'days' => '/days?count=14', 'lists' => '/lists',
            'tasks' => '/tasks', 'owed' => '/owed',
            'find without words' => '/find', 'the archive' => '/find?place=archive',
        ] as $name => $path) {
            $all[$name] = $this->work(fn (): mixed => $this->call('GET', $path));
        }
        $entry = [];
        $all['decide'] = $this->work(function () use ($tray, &$entry): void {
            $entry = $this->decide('archive', [$tray[1]]);
        });
        $all['undo'] = $this->work(function () use (&$entry): void {
            $this->undo($entry);
        });
        $all['a message comes in'] = $this->work(fn (): mixed => $this->upload(
            ['letter.eml' => 'Message-ID: <'.self::id()."@x.example>\r\nFrom: Tove <tove@stranger.example>\r\n"
                ."To: wren@ternpoint.example\r\nSubject: ".self::id()."\r\n\r\nHello.\r\n"],
            'archive',
        ));

        return $all;
    }

    /**
     * @param callable(): mixed $ask
     *
     * @return array{statements: int, rows: int, bytes: int}
     */
    private function work(callable $ask): array
    {
        [RowCount::$statements, RowCount::$rows] = [0, 0];
        $ask();

        return [
            'statements' => RowCount::$statements,
            'rows' => RowCount::$rows,
            'bytes' => \strlen((string) $this->browser->getResponse()->getContent()),
        ];
    }

    private function bringIn(Account $account, Mailbox $mailbox, Place $into): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'mbox');
        $mbox = fopen($file, 'w') ?: self::fail();
        foreach ($mailbox->messages() as $raw) {
            fwrite($mbox, "From - Mon Jan  7 08:00:00 2019\n".str_replace("\r\n", "\n", $raw)."\n");
        }
        fclose($mbox);
        $outcome = $this->service(ImportMail::class)($account, [$file => $file], $into);
        self::assertSame([$mailbox->size(), []], [$outcome->new, $outcome->refused]);
        unlink($file);
    }
}
