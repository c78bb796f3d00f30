<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\PutOff;
use ZippyTray\Core\Task\PutOffWhat;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Due;
use ZippyTray\Tests\Core\World\World;

final class PutOffTest extends TestCase
{
    /**
     * @return iterable<string, array{
     *     string, string, string, PutOffWhat|null, string, string
     * }> start, due, until (now is Tue 24 Nov 2026, 10:00), what, start and due afterwards or the problem
     */
    public static function cases(): iterable
    {
        yield 'nothing is due: it begins later' => ['', '', 'friday', null, 'Fri 27 Nov 2026', ''];
        yield 'due later than that: it begins later' => ['', '4 dec', 'friday', null, 'Fri 27 Nov 2026', 'Fri 4 Dec 2026'];
        yield 'due before that: both, as far apart as today is' => ['', 'thursday', 'monday', null, 'Mon 30 Nov 2026', 'Wed 2 Dec 2026'];
        yield 'both, as far apart as they were' => ['wednesday', 'friday 3pm', 'monday', null, 'Mon 30 Nov 2026', 'Wed 2 Dec 2026, 15:00'];
        yield 'overdue' => ['', '20 nov 2026', 'tomorrow', null, 'Wed 25 Nov 2026', 'Wed 25 Nov 2026'];
        yield 'only the due, keeping its time' => ['', 'thursday 3pm', 'monday', PutOffWhat::Due, '', 'Mon 30 Nov 2026, 15:00'];
        yield 'only the due, at another time' => ['', 'thursday 3pm', 'monday 9:00', PutOffWhat::Due, '', 'Mon 30 Nov 2026, 09:00'];
        yield 'for hours' => ['', 'today 18:00', 'in 3 hours', null, 'Tue 24 Nov 2026, 13:00', 'Tue 24 Nov 2026, 18:00'];
        yield 'only the start, beyond the due' => [
            '',
            'thursday',
            'monday',
            PutOffWhat::Start,
            'It would begin (Mon 30 Nov 2026) after it is due (Thu 26 Nov 2026).',
            '',
        ];
        yield 'only the due, before the start' => [
            '30 nov',
            '4 dec',
            'friday',
            PutOffWhat::Due,
            'It would begin (Mon 30 Nov 2026) after it is due (Fri 27 Nov 2026).',
            '',
        ];
        yield 'past' => ['', '', '20 nov 2026', null, 'Fri 20 Nov 2026 is already past. Choose a moment that is still to come.', ''];
    }

    #[DataProvider('cases')]
    public function testTheDifferenceIsSaidBeforeAndIsWhatFollows(
        string $start,
        string $due,
        string $to,
        ?PutOffWhat $what,
        string $startAfter,
        string $dueAfter,
    ): void {
        $world = new World();
        $read = static fn (string $phrase): ?Due => '' === $phrase ? null : $world->speaker()->due($phrase, 'to');
        $world->makeTask(new TaskFields('Oil', due: $read($due), start: $read($start)));
        $task = $world->task('Oil');
        $putOff = new PutOff($read($to) ?? throw new \LogicException(), $what);
        $before = $world->state();
        [$said] = $world->putOff->preview(World::account(), [$task->id], $putOff, World::zone());
        self::assertSame($before, $world->state(), 'A preview changes nothing.');
        try {
            $entry = ($world->putOff)(World::account(), new EntryId($world->ids->next()), [$task->id], $putOff, World::zone());
            self::assertSame([$startAfter, $dueAfter], [(string) $task->start()?->text(), (string) $task->due()?->text()]);
            self::assertSame(
                [$startAfter, $dueAfter, ''],
                [(string) $said['start']?->text(), (string) $said['due']?->text(), $said['problem']],
            );
            $world->undo($entry);
        } catch (Refused $refused) {
            self::assertStringContainsString($startAfter, $refused->getMessage());
            self::assertSame($startAfter, $said['problem']);
        }
        self::assertSame($before, $world->state());
    }
}
