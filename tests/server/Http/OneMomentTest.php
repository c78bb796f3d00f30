<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Tests\Server\ApiTestCase;
use ZippyTray\Tests\Server\Store\Meanwhile;

/** What is decided while a list is read is in it as it was before, or not at all. */
final class OneMomentTest extends ApiTestCase
{
    public function testAListIsOfOneMoment(): void
    {
        $this->signIn();
        $ids = [$this->receive('First'), $this->receive('Second'), $this->receive('Third')];
        $before = $this->rows('/tray');
        $path = $this->service(Connection::class)->getParams()['path'] ?? '';
        foreach ([
            '/tray' => "AND c.place = 'tray'",
            '/find?words=which' => 'search_conversation',
            '/rest' => "AND c.place = 'tray'",
        ] as $list => $text) {
            $id = array_pop($ids);
            Meanwhile::after($text, static function () use ($path, $id): void {
                $other = new \PDO('sqlite:'.$path, options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
                $other->prepare(
                    "UPDATE conversation SET place = 'archive', decided_at = '2026-11-24T10:00:00Z', decided_as = 'archive', revision "
                        .'= revision + 1 WHERE id = ?',
                )->execute([$id]);
            });
            $answer = $this->call('GET', $list);
            self::assertTrue(Meanwhile::isDone());
            $row = array_column((array) ($answer['rows'] ?? $answer['conversations'] ?? $answer), null, 'id')[$id] ?? null;
            self::assertIsArray($row, 'It was asked before.');
            self::assertSame(array_column($before, 'revision', 'id')[$id] ?? null, $row['revision'], $list);
            self::assertNotContains($id, array_column($this->rows('/tray'), 'id'));
        }
    }
}
