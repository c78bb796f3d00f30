<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * When a task is meant to be done, or a piece of it: so many minutes from a moment, or at no hour in particular of a day. It is apart
 * from the task's start and due, and from the task itself: neither stands in the way when the other is undone.
 */
final class Slot implements Journaled
{
    /** In minutes. */
    public const SHORTEST = 5;

    public const LONGEST = 1440;

    /** @var string a day of the calendar; of a moment that in its zone */
    private string $day;

    private ?\DateTimeImmutable $at;

    private ?string $zone;

    private int $minutes;

    /**
     * @param Due $when a day, or a day with a time in a zone
     *
     * @throws Refused when it is too short or too long
     */
    public function __construct(
        public readonly SlotId $id,
        public readonly AccountId $accountId,
        private TaskId $taskId,
        Due $when,
        int $minutes,
    ) {
        $this->lay($when, $minutes);
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(SlotId $id, AccountId $accountId, array $state): self
    {
        /** @var array{task: string, day: string, at: ?string, zone: ?string, minutes: int} $state */
        $slot = new self($id, $accountId, new TaskId($state['task']), Due::onDay(LocalDate::parse($state['day'])), $state['minutes']);
        $slot->restore($state);

        return $slot;
    }

    /** @throws Refused when it is too short or too long */
    public function lay(Due $when, int $minutes): void
    {
        if ($minutes < self::SHORTEST || $minutes > self::LONGEST) {
            throw new Refused(\sprintf('A slot lasts from %d minutes to a day.', self::SHORTEST), 'minutes');
        }
        $this->day = (string) $when->date;
        $this->at = $when->instant();
        $this->zone = null === $this->at ? null : $when->zone?->getName();
        $this->minutes = $minutes;
    }

    /** As it was laid: a time is what the clock shows in the zone in which it was meant. */
    public function when(): Due
    {
        if (null === $this->at || null === $this->zone) {
            return Due::onDay(LocalDate::parse($this->day));
        }
        $zone = Moment::zone($this->zone);

        return Due::at(LocalDate::of($this->at, $zone), TimeOfDay::of($this->at, $zone), $zone);
    }

    /** The moment at which it begins; null when it has no hour. */
    public function begins(): ?Moment
    {
        return null === $this->at || null === $this->zone ? null : new Moment($this->at, Moment::zone($this->zone));
    }

    /** The moment at which it ends; null when it has no hour. Minutes are those that pass, also where the clock changes. */
    public function ends(): ?Moment
    {
        $begins = $this->begins();

        return null === $begins ? null : new Moment($begins->instant->modify("+{$this->minutes} minutes"), $begins->zone);
    }

    /** The day that it lies on for somebody in $zone. */
    public function dayIn(\DateTimeZone $zone): LocalDate
    {
        return null === $this->at ? LocalDate::parse($this->day) : LocalDate::of($this->at, $zone);
    }

    public function taskId(): TaskId
    {
        return $this->taskId;
    }

    /** It belongs to what is left behind of a task that repeats. */
    public function passTo(TaskId $taskId): void
    {
        $this->taskId = $taskId;
    }

    public function minutes(): int
    {
        return $this->minutes;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Slot, $this->id->text);
    }

    public function state(): array
    {
        return [
            'task' => $this->taskId->text,
            'day' => $this->day,
            'at' => $this->at?->format(\DATE_ATOM),
            'zone' => $this->zone,
            'minutes' => $this->minutes,
        ];
    }

    public function restore(array $state): void
    {
        /** @var array{task: string, day: string, at: ?string, zone: ?string, minutes: int} $state */
        $this->taskId = new TaskId($state['task']);
        $this->day = $state['day'];
        $this->at = null === $state['at'] ? null : new \DateTimeImmutable($state['at']);
        $this->zone = $state['zone'];
        $this->minutes = $state['minutes'];
    }

    public function needs(): array
    {
        return [];
    }
}
