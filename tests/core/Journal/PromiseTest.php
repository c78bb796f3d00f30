<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Journal;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\BringBack;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Decision\DoNow;
use ZippyTray\Core\Tray\Decision\HandOver;
use ZippyTray\Core\Tray\Decision\Mute;
use ZippyTray\Core\Tray\Decision\PutBack;
use ZippyTray\Core\Tray\Decision\Snooze;
use ZippyTray\Tests\Core\World\World;

/**
 * What the journal promises: any series of steps, undone in reverse, gives the state before; and
 * undoing the undoing gives the state after. Over generated series.
 */
final class PromiseTest extends TestCase
{
    private const STEPS = 40;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            yield 'seed '.$seed => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testAnySeriesUndoneInReverseGivesTheStateBefore(int $seed): void
    {
        $world = new World();
        $chance = new Randomizer(new Mt19937($seed));
        $conversations = array_map(static fn (int $i): Conversation => $world->conversation('Conversation '.$i), range(1, 6));
        $states = [];
        $entries = [];
        for ($step = 0; $step < self::STEPS; ++$step) {
            $world->clock->set(\sprintf('2026-11-24T10:%02d:00Z', $step));
            $before = $world->state();
            $entry = $this->anyStep($world, $chance, $conversations, $entries);
            if (null !== $entry) {
                $states[] = $before;
                $entries[] = $entry;
            } else {
                self::assertSame($before, $world->state(), 'A refused step changes nothing.');
            }
        }
        $after = $world->state();

        $undoings = [];
        foreach (array_reverse($entries, true) as $index => $entry) {
            $undoings[] = $world->undo($entry);
            self::assertSame($states[$index], $world->state(), \sprintf('After undoing step %d (%s).', $index, $entry->kind->value));
        }
        foreach (array_reverse($undoings) as $undoing) {
            $world->undo($undoing);
        }
        self::assertSame($after, $world->state());
    }

    /**
     * @param non-empty-list<Conversation> $conversations
     * @param list<Entry>                  $entries
     */
    private function anyStep(World $world, Randomizer $chance, array $conversations, array $entries): ?Entry
    {
        $some = array_map(static fn (int|string $key): Conversation => $conversations[(int) $key], $chance->pickArrayKeys($conversations, $chance->getInt(1, 3)));
        $tasks = array_values($world->memory->tasks);
        $task = [] === $tasks ? null : $tasks[$chance->getInt(0, \count($tasks) - 1)];
        try {
            return match ($chance->getInt(0, 15)) {
                0 => $world->decide(new Archive(), $some),
                1 => $world->decide(new Delete(), $some),
                2 => $world->decide(new Snooze(new Moment($world->clock->now()->modify('+'.$chance->getInt(-1, 60).' minutes'), new \DateTimeZone('Europe/Lisbon'))), $some),
                3 => $world->decide(new BringBack(), $some),
                4 => $world->decide(new PutBack(), $some),
                5, 6 => $world->makeTask($this->fields($chance), 0 === $chance->getInt(0, 2) ? null : $some[0]),
                7 => null === $task ? null : $this->change($world, $chance, $task),
                8 => null === $task ? null : $world->changeTask->complete(World::ACCOUNT, $world->ids->next(), $task->id),
                9 => null === $task ? null : $world->changeTask->delete(World::ACCOUNT, $world->ids->next(), $task->id),
                10 => $world->decide(new DoNow(), $some),
                11 => $world->decide(new Mute(), $some),
                12 => $world->decide(new HandOver(['Petra', ''][$chance->getInt(0, 1)], 'the rota', new Moment($world->clock->now()->modify('+1 day'), new \DateTimeZone('UTC'))), $some),
                13 => ($world->block)(World::ACCOUNT, $world->ids->next(), array_map(static fn (Conversation $conversation): Claim => new Claim($conversation->id), $some), 0 === $chance->getInt(0, 1), World::OWN)->entry,
                14 => [] === $world->memory->senders ? null : $world->block->unblock(World::ACCOUNT, $world->ids->next(), array_keys($world->memory->senders)[0], 0 === $chance->getInt(0, 1)),
                default => [] === $entries || null !== $entries[\count($entries) - 1]->undoneBy() ? null : $world->undo($entries[\count($entries) - 1]),
            };
        } catch (Refused) {
            return null;
        }
    }

    private function change(World $world, Randomizer $chance, Task $task): Entry
    {
        return $task->isDone()
            ? $world->changeTask->restore(World::ACCOUNT, $world->ids->next(), $task->id)
            : $world->changeTask->edit(World::ACCOUNT, $world->ids->next(), $task->id, $this->fields($chance));
    }

    private function fields(Randomizer $chance): TaskFields
    {
        $date = LocalDate::parse('2026-11-24')->plusDays($chance->getInt(0, 9));

        return new TaskFields(
            ['Order polish', 'Call Olga', '', 'Count slates'][$chance->getInt(0, 3)],
            0 === $chance->getInt(0, 1) ? '' : 'Second shelf.',
            0 === $chance->getInt(0, 1) ? null : Due::onDay($date),
            ['Roof', 'roof', 'House', 'Office'][$chance->getInt(0, 3)],
        );
    }
}
