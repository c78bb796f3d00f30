<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Journal;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Lift;
use ZippyTray\Core\Journal\Lifts;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Journal\UndoBlocked;
use ZippyTray\Tests\Core\World\World;

final class LiftsTest extends TestCase
{
    public function testAStateOfBeforeIsLiftedThroughAllVersions(): void
    {
        $lifts = new Lifts([
            self::lift(2, static fn (array $state): array => $state + ['second' => 2]),
            self::lift(1, static fn (array $state): array => $state + ['first' => 1]),
        ]);
        $ref = new ObjectRef(ObjectKind::Template, 't');

        self::assertSame([3, 1], [$lifts->version(ObjectKind::Template), $lifts->version(ObjectKind::Task)]);
        self::assertEquals(
            new Change($ref, null, ['name' => 'x', 'first' => 1, 'second' => 2], 3),
            $lifts->lifted(new Change($ref, null, ['name' => 'x']), World::account()),
        );
        self::assertEquals(
            new Change($ref, ['first' => 0, 'second' => 2], null, 3),
            $lifts->lifted(new Change($ref, ['first' => 0], null, 2), World::account()),
        );
        $now = new Change($ref, ['first' => 7], ['first' => 8], 3);
        self::assertEquals($now, $lifts->lifted($now, World::account()));
    }

    public function testNoVersionIsLeftOut(): void
    {
        $this->expectException(\LogicException::class);
        new Lifts([self::lift(1, static fn (array $state): array => $state), self::lift(3, static fn (array $state): array => $state)]);
    }

    public function testChangesAreWrittenDownWithTheirVersion(): void
    {
        $world = new World(lifts: new Lifts([self::lift(1, static fn (array $state): array => $state)]));
        $entry = $world->keepTemplates->add(World::account(), new EntryId('e'), 't', 'Thanks', '', 'Thank you.', false);

        self::assertSame(2, $entry->changes()[0]->version);
        self::assertSame(2, Change::fromState($entry->changes()[0]->state())->version);
        $older = $entry->changes()[0]->state();
        unset($older['version']);
        self::assertSame(1, Change::fromState($older)->version);
    }

    /** It was written down when templates did not say yet whether they are signed. */
    public function testAnEntryOfBeforeCanBeUndoneOnceItsStatesAreLifted(): void
    {
        $lifts = new Lifts([self::lift(1, static fn (array $state): array => $state + ['signed' => true])]);
        foreach ([[$lifts, 'Thanks'], [new Lifts(), null]] as [$with, $expected]) {
            $world = new World(lifts: $with);
            $world->keepTemplates->add(World::account(), new EntryId('one'), 't', 'Thanks', '', 'Thank you.', true);
            $edit = $world->keepTemplates->edit(World::account(), new EntryId('two'), 't', 'Many thanks', '', 'Thank you.', true);
            $change = $edit->changes()[0];
            $world->memory->entries['two'] = new Entry(
                new EntryId('two'),
                World::account(),
                $edit->number,
                $edit->at,
                $edit->kind,
                $edit->about,
                $edit->consequence,
                [new Change($change->object, self::unsigned($change->before), self::unsigned($change->after))],
            );
            try {
                $world->undo($world->memory->entries['two']);
                self::assertSame($expected, $world->memory->templates['t']->state()['name']);
            } catch (UndoBlocked) {
                self::assertNull($expected, 'What is not lifted is not as it is now.');
            }
        }
    }

    /**
     * @param array<string, mixed>|null $state
     *
     * @return array<string, mixed>
     */
    private static function unsigned(?array $state): array
    {
        return array_diff_key($state ?? [], ['signed' => true]);
    }

    /** @param \Closure(array<string, mixed>): array<string, mixed> $lift */
    private static function lift(int $from, \Closure $lift): Lift
    {
        return new class($from, $lift) implements Lift {
            /** @param \Closure(array<string, mixed>): array<string, mixed> $lift */
            public function __construct(private int $from, private \Closure $lift)
            {
            }

            public function kind(): ObjectKind
            {
                return ObjectKind::Template;
            }

            public function from(): int
            {
                return $this->from;
            }

            public function lift(array $state, AccountId $accountId): array
            {
                return ($this->lift)($state);
            }
        };
    }
}
