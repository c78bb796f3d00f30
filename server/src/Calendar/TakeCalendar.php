<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;
use ZippyTray\Core\Agenda\Event\KeepEvents;
use ZippyTray\Core\Agenda\Event\ToldEvent;
use ZippyTray\Core\Agenda\LaySlots;
use ZippyTray\Core\Agenda\NewSlot;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Server\Account\Account;

/**
 * Takes in what a calendar file holds: events, tasks, and when they are meant to be done. What is known already stays as it is.
 *
 * @phpstan-type CalendarTaken array{taken: list<string>, known: list<string>, left: list<string>, entries: list<Entry>}
 */
final readonly class TakeCalendar
{
    /** Tasks that are made in one step. */
    private const AT_ONCE = 200;

    public function __construct(
        private ReadCalendar $read,
        private KeepEvents $keep,
        private MakeTasks $make,
        private LaySlots $lay,
        private Tasks $tasks,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @return CalendarTaken titles of what was taken and what was known, sentences about what was left out, and the steps
     *
     * @throws Refused when it is no calendar
     */
    public function __invoke(Account $account, string $bytes): array
    {
        $file = ($this->read)($bytes, $account->profile->speaker($this->clock->now()), $account->person());
        $title = static fn (ToldEvent $event): string => $event->fields->title;
        [$entry, $knownEvents] = $this->keep->takeIn($account->id, self::entry(), $file->events);
        $known = array_map(static fn (ToldEvent $event): string => $event->uid, $knownEvents);
        $taken = array_values(array_filter($file->events, static fn (ToldEvent $event): bool => !\in_array($event->uid, $known, true)));
        [$made, $knownTasks, $left, $entries] = $this->take($account, $file->tasks);

        return [
            'taken' => [...array_map($title, $taken), ...$made],
            'known' => [...array_map($title, $knownEvents), ...$knownTasks],
            'left' => [...$file->left, ...$left],
            'entries' => null === $entry ? $entries : [$entry, ...$entries],
        ];
    }

    /**
     * @param list<ToldTask> $told
     *
     * @return array{list<string>, list<string>, list<string>, list<Entry>}
     */
    private function take(Account $account, array $told): array
    {
        $taken = $known = $left = $entries = $orders = $slots = [];
        foreach (self::parentsFirst($told) as $task) {
            $id = $this->id($account, $task->uid);
            if ($this->isThere($account, $id)) {
                $known[] = $task->fields->title;
                continue;
            }
            $parent = null === $task->parent ? null : $this->id($account, $task->parent);
            $hasParent = null !== $parent && ($this->isThere($account, $parent) || isset($orders[$parent->text]));
            $orders[$id->text] = new TaskOrder($id, $task->fields, parentId: $hasParent ? $parent : null, done: $task->done);
            $taken[] = $task->fields->title;
            foreach ($task->done ? [] : $task->slots as $slot) {
                $slots[] = [$id, $slot];
            }
        }
        foreach (array_chunk(array_values($orders), self::AT_ONCE) as $some) {
            $entries[] = ($this->make)($account->id, self::entry(), $some, $account->timeZone())->entry;
        }
        foreach ($slots as [$id, ['when' => $when, 'minutes' => $minutes]]) {
            try {
                $entries[] = $this->lay->put($account->id, self::entry(), [
                    new NewSlot(new SlotId(Uuid::v7()->toRfc4122()), $id, $when, $minutes),
                ]);
            } catch (Refused|NotFound $problem) {
                $left[] = $problem->getMessage();
            }
        }

        return [$taken, $known, $left, $entries];
    }

    /**
     * @param list<ToldTask> $told
     *
     * @return list<ToldTask>
     */
    private static function parentsFirst(array $told): array
    {
        $depth = [];
        $by = array_column($told, null, 'uid');
        foreach ($told as $task) {
            $depth[$task->uid] = 0;
            $above = $task;
            while (null !== $above->parent && isset($by[$above->parent]) && $depth[$task->uid] < 50) {
                $above = $by[$above->parent];
                ++$depth[$task->uid];
            }
        }
        usort($told, static fn (ToldTask $one, ToldTask $other): int => $depth[$one->uid] <=> $depth[$other->uid]);

        return $told;
    }

    private function isThere(Account $account, TaskId $id): bool
    {
        try {
            $this->tasks->get($account->id, $id);

            return true;
        } catch (NotFound) {
            return false;
        }
    }

    /** The same task of the same file is the same task here: one of this agenda, or one that follows from its UID and whose it is. */
    private function id(Account $account, string $uid): TaskId
    {
        if (Uuid::isValid($uid) && $this->isThere($account, new TaskId(strtolower($uid)))) {
            return new TaskId(strtolower($uid));
        }

        return new TaskId(Uuid::v5(Uuid::fromString($account->id->text), $uid)->toRfc4122());
    }

    private static function entry(): EntryId
    {
        return new EntryId(Uuid::v7()->toRfc4122());
    }
}
