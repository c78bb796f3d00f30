<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Find;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Find\KeepSearches;
use ZippyTray\Core\Find\KeptSearch;
use ZippyTray\Core\Find\ReadSearch;
use ZippyTray\Core\Find\Sort;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Tests\Core\World\World;

/**
 * Searches that are kept under a name.
 */
final class KeepSearchesTest extends TestCase
{
    private World $world;

    protected function setUp(): void
    {
        $this->world = new World();
    }

    public function testEachStepIsUndone(): void
    {
        $states = [$this->world->state()];
        $entries = $lines = [];
        foreach ([
            fn (): Entry => $this->keep('a', ' Top  priorities ', 'overdue or high priority', Sort::Task, 'tasks'),
            fn (): Entry => $this->keep('b', 'The bank', 'from bank not in archive'),
            fn (): Entry => $this->keep('c', 'Old ones', 'before last year'),
            fn (): Entry => $this->world->keepSearches->move(World::account(), $this->entryId(), 'c', null),
            fn (): Entry => $this->keep('b', 'Waiting for the bank', 'from bank', shownIn: 'tray'),
            fn (): Entry => $this->world->keepSearches->drop(World::account(), $this->entryId(), 'a'),
        ] as $do) {
            $entries[] = $do();
            $lines[] = $this->line();
            $states[] = $this->world->state();
        }
        self::assertSame([
            'Top priorities', 'Top priorities, The bank', 'Top priorities, The bank, Old ones', 'Old ones, Top priorities, The bank',
            'Old ones, Top priorities, Waiting for the bank', 'Old ones, Waiting for the bank',
        ], $lines);
        self::assertSame(['Top priorities', 'overdue or high priority'], [$entries[0]->about, $entries[0]->consequence]);
        foreach (array_reverse($entries, true) as $number => $entry) {
            $this->world->undo($entry);
            self::assertEquals($states[$number], $this->world->state());
        }
    }

    public function testNonsenseIsRefused(): void
    {
        $this->keep('a', 'Bank', 'from bank');
        foreach ([
            fn (): Entry => $this->keep('b', ' ', 'x'),
            fn (): Entry => $this->keep('b', str_repeat('a', KeptSearch::NAME_LENGTH + 1), 'x'),
            fn (): Entry => $this->keep('b', 'B', ' '),
            fn (): Entry => $this->keep('b', 'B', str_repeat('a', ReadSearch::LENGTH + 1)),
            fn (): Entry => $this->keep('b', ' bank ', 'x'),
            fn (): Entry => $this->keep('b', 'B', 'x', Sort::Event),
            fn (): Entry => $this->keep('b', 'B', 'x', shownIn: 'agenda'),
            fn (): Entry => $this->world->keepSearches->move(World::account(), $this->entryId(), 'b', null),
            fn (): Entry => $this->world->keepSearches->move(World::account(), $this->entryId(), 'a', 'b'),
            fn (): Entry => $this->world->keepSearches->drop(World::account(), $this->entryId(), 'b'),
        ] as $number => $do) {
            try {
                $do();
                self::fail("Number {$number} was taken.");
            } catch (Refused|NotFound) {
                self::assertSame('Bank', $this->line());
            }
        }
        for ($number = 2; $number <= KeepSearches::MOST; ++$number) {
            $this->keep('s'.$number, 'search '.$number, 'x');
        }
        $this->expectExceptionMessage('already');
        $this->keep('more', 'one more', 'x');
    }

    private function entryId(): EntryId
    {
        return new EntryId($this->world->ids->next());
    }

    private function keep(string $id, string $name, string $words, Sort $sort = Sort::Mail, string $shownIn = ''): Entry
    {
        return $this->world->keepSearches->keep(World::account(), $this->entryId(), $id, $name, $words, $sort, $shownIn);
    }

    /** @phpstan-impure */
    private function line(): string
    {
        $all = array_values($this->world->memory->searches);
        usort($all, static fn (KeptSearch $one, KeptSearch $other): int => strcmp($one->rank(), $other->rank()));

        return implode(', ', array_map(static fn (KeptSearch $one): string => $one->name(), $all));
    }
}
