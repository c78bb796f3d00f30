<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;

/**
 * Putting a task off until a day or a moment.
 */
final readonly class PutOff
{
    /** @param PutOffWhat|null $what null: the start, and the due with it where it would be over by then */
    public function __construct(public Due $to, public ?PutOffWhat $what = null)
    {
    }

    /**
     * Both together keep their distance: the due moves by as many days as the start does, or as lie between
     * today and the new start where there was none ahead. What would be over by then is due when it begins.
     *
     * @param Moment $now in the person's own zone
     *
     * @return array{?Due, ?Due} start and due as they become
     *
     * @throws Refused when that is past
     */
    public function of(Task $task, Moment $now): array
    {
        if ($this->to->isOver($now->instant, $now->zone)) {
            throw Moment::past($this->to->text(), 'to');
        }
        [$start, $due] = [$task->start(), $task->due()];
        $what = $this->what ?? (null !== $due && $this->to->isAfter($due, $now->zone) ? PutOffWhat::Both : PutOffWhat::Start);
        if (PutOffWhat::Due === $what) {
            return [$start, self::onDay($this->to, $due)];
        }
        if (PutOffWhat::Start === $what || null === $due) {
            return [$this->to, $due];
        }
        $from = null !== $start && $now->date()->isBefore($start->dayIn($now->zone)) ? $start->dayIn($now->zone) : $now->date();

        $later = $due->plusDays($from->daysUntil($this->to->dayIn($now->zone)));

        return [$this->to, $this->to->isAfter($later, $now->zone) ? $this->to : $later];
    }

    /** A day leaves the time of the day as it is. */
    public static function onDay(Due $wanted, ?Due $before): Due
    {
        return null === $wanted->time && null !== $before?->time && null !== $before->zone
            ? Due::at($wanted->date, $before->time, $before->zone)
            : $wanted;
    }
}
