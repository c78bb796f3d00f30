<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server;

use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Demo\RelativeDate;
use ZippyTray\Demo\SeedDemo;

final class DemoTest extends ApiTestCase
{
    public function testTheDemoHoldsWhatItPromises(): void
    {
        $this->signIn($this->service(SeedDemo::class)());

        $counts = $this->counts();
        self::assertGreaterThanOrEqual(30, $counts['tray']);
        self::assertGreaterThanOrEqual(60, $this->call('GET', '/find?place=archive')['total']);
        self::assertGreaterThanOrEqual(5, $counts['away']);
        self::assertGreaterThanOrEqual(1, $counts['overdue']);
        self::assertGreaterThanOrEqual(5, $counts['tasks']);
        self::assertGreaterThanOrEqual(1, $counts['bin']);
        self::assertNotSame([], $this->tasks('?state=done'));
        self::assertContains('Order candles for the evening walk', array_column($this->tasks(), 'title'), 'It was made by mail.');
        self::assertContains(true, array_column($this->rows('/tray'), 'returned'));
        self::assertContains('レンズの見積もりについて', array_column($this->rows('/tray'), 'subject'));
        foreach ($this->rows('/tray') as $row) {
            self::assertIsString($row['id']);
            $this->call('GET', '/conversations/'.$row['id']);
        }
        self::assertStringNotContainsString('{{', (string) json_encode($this->rows('/tray')));
    }

    /** @return iterable<string, array{string, string}> */
    public static function dates(): iterable
    {
        yield 'days' => ['+3 08:12', '2026-11-27T08:12:00+00:00'];
        yield 'days at noon' => ['-1', '2026-11-23T12:00:00+00:00'];
        yield 'hours' => ['-2h', '2026-11-24T08:30:00+00:00'];
        yield 'working days' => ['+4w 09:00', '2026-11-30T09:00:00+00:00'];
    }

    #[DataProvider('dates')]
    public function testRelativeDates(string $text, string $expected): void
    {
        $dates = new RelativeDate(new \DateTimeImmutable('2026-11-24T10:30:00Z'), new \DateTimeZone('Europe/Dublin'));
        self::assertSame($expected, $dates->read($text)->format(\DATE_ATOM));
        self::assertSame('due '.substr($expected, 0, 10).'.', $dates->fill('due {{'.$text.'|Y-m-d}}.'));
    }
}
