<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Lead;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\TimeSettings;

/**
 * A first reminder that comes early enough to still do the work: a share of the time left before it is
 * due, at least an hour, at most some working days, on the morning of a working day where that can be.
 */
final readonly class FirstReminder
{
    private const HOUR = 3600;

    /**
     * @param int $percent         of the time left; 0: none is proposed
     * @param int $mostWorkingDays that it comes before it is due
     *
     * @throws Refused
     */
    public function __construct(public int $percent = 10, public int $mostWorkingDays = 3)
    {
        if ($percent < 0 || $percent > 50) {
            throw new Refused('The share of the time left is between 0 and 50 per cent.', 'reminderPercent');
        }
        if ($mostWorkingDays < 1 || $mostWorkingDays > 30) {
            throw new Refused('A reminder comes between 1 and 30 working days before.', 'reminderDays');
        }
    }

    /**
     * @param Moment   $now      in the person's own zone
     * @param int|null $estimate minutes that the work takes, which have to fit in
     *
     * @return Reminder|null null when it is due within the hour, over, or none is wanted
     */
    public function of(Due $due, Moment $now, TimeSettings $settings, ?int $estimate = null): ?Reminder
    {
        $zone = $due->zone ?? $now->zone;
        $end = Moment::at($due->date, $due->time ?? $settings->at(DayMark::EndOfDay), $zone);
        $left = $end->instant->getTimestamp() - $now->instant->getTimestamp();
        if (0 === $this->percent || $left <= self::HOUR) {
            return null;
        }
        $lead = max(intdiv($left * $this->percent, 100), self::HOUR, 60 * ($estimate ?? 0));
        $earliest = Moment::at($settings->week->plusWorkingDays($end->date(), -$this->mostWorkingDays), $end->time(), $zone)->instant;
        $moment = new Moment(max($end->instant->modify(\sprintf('-%d seconds', $lead)), $earliest), $zone);
        $morning = $this->morning($moment, $settings);
        if ($morning > $now->instant) {
            return Reminder::lead(new Lead(new Span(days: LocalDate::of($morning, $zone)->daysUntil($due->date)), mark: DayMark::Morning));
        }
        $isAwake = (string) $moment->time() >= (string) $settings->at(DayMark::Morning)
            && (string) $moment->time() <= (string) $settings->at(DayMark::Tonight);
        $evening = $moment->date()->plusDays((string) $moment->time() < (string) $settings->at(DayMark::EndOfDay) ? -1 : 0);
        if (!$isAwake || !$settings->week->isWorkingDay($moment->date())) {
            // Rather on a working day, where one is left, than on a day off or at night.
            foreach ([self::workingDay($evening, $settings), ...($isAwake ? [] : [$evening])] as $day) {
                if ($day->at($settings->at(DayMark::EndOfDay), $zone) > $now->instant) {
                    return Reminder::lead(new Lead(new Span(days: $day->daysUntil($due->date)), mark: DayMark::EndOfDay));
                }
            }
        }
        $minutes = (int) ceil(($end->instant->getTimestamp() - $moment->instant->getTimestamp()) / self::HOUR) * 60;
        // Of a day the lead counts from its morning, which may be over by now.
        if (null === $due->time) {
            return $moment->instant > $now->instant ? Reminder::at(Moment::at($moment->date(), $moment->time(), $zone)) : null;
        }

        return $end->instant->modify(\sprintf('-%d minutes', $minutes)) > $now->instant
            ? Reminder::lead(new Lead(new Span(minutes: $minutes)))
            : null;
    }

    /** The last morning of a working day that is not after $moment. */
    private function morning(Moment $moment, TimeSettings $settings): \DateTimeImmutable
    {
        $day = $moment->date();
        if ($day->at($settings->at(DayMark::Morning), $moment->zone) > $moment->instant) {
            $day = $day->plusDays(-1);
        }

        return self::workingDay($day, $settings)->at($settings->at(DayMark::Morning), $moment->zone);
    }

    /** The last working day that is not after $day. */
    private static function workingDay(LocalDate $day, TimeSettings $settings): LocalDate
    {
        while (!$settings->week->isWorkingDay($day)) {
            $day = $day->plusDays(-1);
        }

        return $day;
    }
}
