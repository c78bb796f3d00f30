<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * Why something is asked about when a day is laid out, in the order in which it is, or when one looks back over a week.
 */
enum Why: string
{
    /** It was meant for a day that is over, and was not done then. */
    case Left = 'left';
    case Over = 'over';
    case Due = 'due';
    /** Mail that was away. */
    case CameBack = 'came_back';
    /** Somebody owed an answer until today, or earlier. */
    case Owed = 'owed';
    /** It was out of the way until now. */
    case Began = 'began';
    /** Again and again. */
    case PutOff = 'put_off';
    /** Somebody owes an answer, and has said nothing for long. */
    case Silent = 'silent';
    /** Nobody has said when. */
    case NoDate = 'no_date';

    /**
     * Of an open task, in the morning.
     *
     * @param LocalDate|null  $since the day that was laid out last; what began until then has been asked about
     * @param LocalDate|null  $due   where the person is
     * @param LocalDate|null  $start likewise
     * @param list<LocalDate> $laid  days on which it lies, wholly or in part
     *
     * @return self|null null: nothing is to be asked; it lies on a day that is not over, or it has time
     */
    public static function ofTask(LocalDate $today, ?LocalDate $since, ?LocalDate $due, bool $isOver, ?LocalDate $start, array $laid): ?self
    {
        foreach ($laid as $day) {
            if (!$day->isBefore($today)) {
                return null;
            }
        }
        if (null !== $start && $today->isBefore($start)) {
            return null;
        }

        return match (true) {
            [] !== $laid => self::Left,
            $isOver => self::Over,
            true === $due?->equals($today) => self::Due,
            null !== $start && true === ($since ?? $today->plusDays(-1))->isBefore($start) => self::Began,
            default => null,
        };
    }

    /**
     * Of an open task, in the evening: what was meant for today, or should have been done by then.
     *
     * @param list<LocalDate> $laid days on which it lies, wholly or in part
     */
    public static function atNight(LocalDate $today, ?LocalDate $due, bool $isOver, array $laid): ?self
    {
        $isAhead = false;
        foreach ($laid as $day) {
            $isAhead = $isAhead || $today->isBefore($day);
        }

        return match (true) {
            $isAhead => null,
            [] !== $laid => self::Left,
            $isOver => self::Over,
            true === $due?->equals($today) => self::Due,
            default => null,
        };
    }
}
