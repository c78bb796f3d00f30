<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Prose\Spot;
use ZippyTray\Core\Time\Prose\Spotter;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\Advice\Language\English;
use ZippyTray\Core\Tray\Advice\Language\Tongue;

/**
 * Finds the days and times in what the sender wrote now, and tells deadlines, appointments and mere
 * mentions apart.
 */
final readonly class DateFinder
{
    /** A day without a year that was not longer ago than this is the past one rather than that of next year. */
    private const RECENT_DAYS = 60;

    /** Days of one letter that are kept; who names more writes a calendar. */
    private const MOST = 200;

    /** Characters that may stand between a day and its time. */
    private const APART = 80;

    /** What is late afterwards: "the deadline moves to". */
    private const LATEST = '/\b(?:deadline|closing date|due date|cut-?off)\b/u';

    /** What is in the evening: "dinner at eight". */
    private const EVENING = '/\b(?:dinner|supper|table|concert|party|drinks|pub|theatre|cinema|film|tonight|evening|nightcap|band|disco'
        .'|dance|club|quiz)\b/u';

    /**
     * @param list<Sentence> $sentences
     * @param list<Request>  $requests  those found in the same sentences
     * @param Moment         $sentAt    in the zone of the one who wrote
     * @param list<int>      $others    sentences, by their first character, that turn to somebody else, or say that nothing is to be done
     *
     * @return list<FoundDate> in order
     */
    public function of(
        array $sentences,
        array $requests,
        Moment $sentAt,
        Person $person,
        Tongue $tongue = new English(),
        array $others = [],
    ): array {
        $found = [];
        $asked = [];
        foreach ($requests as $request) {
            $asked[$request->from] = $request;
        }
        $spotter = new Spotter($person->time, intdiv($sentAt->zone->getOffset($sentAt->instant), 60), $tongue->english());
        foreach ($sentences as $sentence) {
            $moved = Moved::among($spotter->in($sentence->text), $sentence->lower, $tongue, $spotter->in(...));
            $isLate = [] !== $moved->from && 1 === preg_match(self::LATEST, $tongue->gloss($sentence->lower));
            $kinds = [];
            foreach (self::joined($moved->spots, $sentence) as $spot) {
                if (\count($found) >= self::MOST) {
                    return $found;
                }
                $isMoved = $moved->isMoved($spot);
                $date = $this->dated($spot, $sentence, $asked[$sentence->from] ?? null, $sentAt, $person, $tongue, $isMoved);
                if (null === $date) {
                    continue;
                }
                $kinds[$spot->from] = $date->kind;
                if (\array_key_exists($spot->from, $moved->from) && !$date->date->isBefore($sentAt->date())) {
                    // It is now what the other was.
                    $was = DateKind::Deadline === ($kinds[$moved->from[$spot->from]] ?? $date->kind);
                    $date = $date->as($isLate || $was ? DateKind::Deadline : DateKind::Appointment);
                }
                if (DateKind::Deadline === ($kinds[$moved->other[$spot->from] ?? -1] ?? null)) {
                    $date = $date->as(DateKind::Deadline);
                }
                $isNothing = \in_array($sentence->from, $others, true) || \in_array($spot->from, $moved->gone, true);
                $found[] = $isNothing ? $date->as(DateKind::Mention) : $date;
            }
        }

        return $found;
    }

    /**
     * "On Wednesday the power will be off between nine and eleven": the only time of a sentence belongs to its only day.
     *
     * @param list<Spot> $spots
     *
     * @return list<Spot>
     */
    private static function joined(array $spots, Sentence $sentence): array
    {
        // An hour alone is none without a day, unless something is to be done by then.
        $clear = array_values(array_filter($spots, static fn (Spot $spot): bool => $spot->isDay
            || true !== $spot->clock?->isBareHour
            || null !== $spot->clock->until
            || 1 === preg_match('/\b(?:by|before|until|till)\s*$/u', mb_substr($sentence->lower, 0, $spot->from))));
        if (2 !== \count($spots)) {
            return $clear;
        }
        [$first, $second] = $spots;
        if (!$first->isDay || null !== $first->clock || $second->isDay || null === $second->clock || $second->clock->isMark) {
            return $clear;
        }
        $between = mb_substr($sentence->lower, $first->to, $second->from - $first->to);
        $isApart = mb_strlen($between) > self::APART
            || 1 === preg_match(
                '/[;:]|\b(?:by|before|until|till|not|or|if|when|bis|oder|wenn|avant|ou|si|antes|o|entro|voor|of|até)\b/u',
                $between,
            );

        return $isApart ? $clear : [new Spot($first->from, $first->to, $first->day, $second->clock, true)];
    }

    private function dated(
        Spot $spot,
        Sentence $sentence,
        ?Request $request,
        Moment $sentAt,
        Person $person,
        Tongue $tongue,
        bool $isMoved,
    ): ?FoundDate {
        $reading = (new DateContext($spot, $sentence, $request, $tongue))->reading();
        if (null === $reading->kind) {
            return null;
        }
        $today = $sentAt->date();
        // Something was moved, but not to what was.
        $date = $reading->isPast
            && !$isMoved
            && !$spot->day->isFixed()
            ? $spot->day->behind($today) ?? $spot->day->ahead($today)
            : $this->ahead($spot->day, $today);
        if (null === $date) {
            return null;
        }
        $time = $spot->clock?->time;
        if (null !== $time && $spot->clock->isBareHour && $spot->clock->hour() < 12 && 1 === preg_match(self::EVENING, $sentence->lower)) {
            $time = $spot->clock->inAfternoon()->time;
        }
        if (null !== $time
            && $spot->clock->isAsWritten
            && $spot->clock->hour() < 12
            && $date->equals($today)
            && self::isOver($time, $sentAt)) {
            // "Today at 4:30", written at ten, is in the afternoon.
            $time = $spot->clock->otherHalf()->time;
        }
        if (null !== $time && null !== $spot->clock->zone) {
            // A time in a zone of its own is shown on the person's clock.
            $moment = new Moment(
                Moment::at($spot->clock->dayOf($date), $time, $spot->clock->zone)->instant,
                $person->zone ?? $sentAt->zone,
            );
            [$date, $time] = [$moment->date(), $moment->time()];
        }
        $isOver = $date->isBefore($today) || ($date->equals($today) && null !== $time && self::isOver($time, $sentAt));
        if ($isOver && !$spot->isDay) {
            // A time alone that is past today is that of tomorrow only when something is still to be done.
            $date = DateKind::Mention === $reading->kind ? $date : $date->plusDays(1);
            $isOver = DateKind::Mention === $reading->kind;
        }

        return new FoundDate(
            $isOver ? DateKind::Mention : $reading->kind,
            $date,
            $time,
            trim(mb_substr($sentence->text, $reading->from, $reading->to - $reading->from)),
            $sentence->from + $reading->from,
            $sentence->from + $reading->to,
        );
    }

    private function ahead(Day $day, LocalDate $today): ?LocalDate
    {
        $ahead = $day->ahead($today);
        $behind = $day->isFixed() ? null : $day->behind($today);
        if (null === $ahead || null === $behind) {
            return $ahead;
        }

        return $behind->daysUntil($today) <= self::RECENT_DAYS && $today->daysUntil($ahead) > 365 - self::RECENT_DAYS - 6
            ? $behind
            : $ahead;
    }

    private static function isOver(TimeOfDay $time, Moment $sentAt): bool
    {
        return (string) $time < (string) $sentAt->time();
    }
}
