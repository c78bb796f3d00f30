<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Passing\Schedule;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\TimeSettings;

/**
 * A task or a conversation that reminds, and what its leads count from.
 */
final readonly class Reminding
{
    /**
     * @param list<Reminder> $reminders
     * @param string         $words     what it says instead of when it was meant to come; empty: that
     */
    public function __construct(
        public ObjectRef $about,
        public ?Due $start,
        public ?Due $due,
        public array $reminders,
        public string $words = '',
    ) {
    }

    /**
     * What comes once has another key when it is moved; what comes again and again keeps its own.
     *
     * @param \DateTimeZone $zone the person's own
     *
     * @return iterable<string, array{Schedule, Reminder}> by keys that name the reminder
     */
    public function schedules(\DateTimeZone $zone, TimeSettings $settings): iterable
    {
        foreach ($this->reminders as $reminder) {
            $schedule = $reminder->schedule($this->start, $this->due, $zone, $settings);
            if (null !== $schedule) {
                $key = $reminder->kind()->hasOneMoment()
                    ? $schedule->after(new \DateTimeImmutable('@0'))?->format('Y-m-d\TH:i:s\Z')
                    : $reminder->text();
                yield \sprintf('%s %s %s', $this->about->kind->value, $this->about->id, $key) => [$schedule, $reminder];
            }
        }
    }
}
