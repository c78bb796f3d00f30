<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Recurrence;

use ZippyTray\Core\Time\LocalDate;

/**
 * A rule in words that say the same when they are read again.
 */
final readonly class RuleText
{
    private const DAYS = [1 => 'Monday', 2 => 'Tuesday', 3 => 'Wednesday', 4 => 'Thursday', 5 => 'Friday', 6 => 'Saturday', 7 => 'Sunday'];

    private const MONTHS = [
        1 => 'January', 2 => 'February', 3 => 'March', 4 => 'April', 5 => 'May', 6 => 'June', 7 => 'July', 8 => 'August',
        9 => 'September', 10 => 'October', 11 => 'November', 12 => 'December',
    ];

    private const NTH = [-1 => 'last', 1 => 'first', 2 => 'second', 3 => 'third', 4 => 'fourth', 5 => 'fifth'];

    /** The months with which a quarter begins or ends. */
    private const QUARTERS = [[1, 4, 7, 10], [3, 6, 9, 12]];

    /** "every weekday", "every 2 weeks on Tuesday", "every month on the last Friday", without beginning and end. */
    public static function of(Rule $rule): string
    {
        $every = 1 === $rule->interval
            ? 'every '.$rule->frequency->unit()
            : \sprintf('every %d %ss', $rule->interval, $rule->frequency->unit());

        return match ($rule->frequency) {
            Frequency::Daily => $every,
            Frequency::Weekly => self::weekly($rule, $every),
            Frequency::Monthly => (self::isOfQuarters($rule) ? 'every quarter' : $every).' on '.self::inMonth($rule),
            Frequency::Yearly => self::isOfQuarters($rule) ? 'every quarter on '.self::inMonth($rule) : $every.' on '.self::inYear($rule),
        };
    }

    /** "every week": the days are left out where they follow from the first one. */
    public static function ofDistance(Rule $rule, LocalDate $first): string
    {
        $follows = match ($rule->frequency) {
            Frequency::Weekly => 1 === \count($rule->days),
            Frequency::Monthly => [] === $rule->days && [$first->day()] === $rule->monthDays && $first->day() < 29,
            default => false,
        };

        return !$follows
            ? self::of($rule)
            : (1 === $rule->interval ? 'every '.$rule->frequency->unit() : \sprintf(
                'every %d %ss',
                $rule->interval,
                $rule->frequency->unit(),
            ));
    }

    private static function isOfQuarters(Rule $rule): bool
    {
        return 1 === $rule->interval && \in_array($rule->months, self::QUARTERS, true);
    }

    private static function weekly(Rule $rule, string $every): string
    {
        $days = array_map(static fn (NthDay $day): int => $day->weekday, $rule->days);
        if (1 === $rule->interval) {
            return 'every '.([1, 2, 3, 4, 5] === $days ? 'weekday' : self::days($days));
        }

        return $every.' on '.self::days($days);
    }

    private static function inMonth(Rule $rule): string
    {
        if (null !== $rule->position && [] !== $rule->monthDays) {
            $day = max($rule->monthDays);

            return 'the '.$day.self::suffix($day);
        }
        if (1 === \count($rule->monthDays) && $rule->monthDays[0] > 28 && Frequency::Monthly === $rule->frequency) {
            return \sprintf('the %d%s, only months that have it', $rule->monthDays[0], self::suffix($rule->monthDays[0]));
        }
        if (null !== $rule->position) {
            return 'the '.self::nth($rule->position).' working day';
        }
        $parts = [
            ...array_map(static fn (int $day): string => 'the '.(-1 === $day ? 'last day' : $day.self::suffix($day)), $rule->monthDays),
            ...array_map(static fn (NthDay $day): string => 'the '.self::nth($day->nth ?? 1).' '.self::DAYS[$day->weekday], $rule->days),
        ];

        return self::joined($parts);
    }

    private static function inYear(Rule $rule): string
    {
        $month = self::joined(array_map(static fn (int $month): string => self::MONTHS[$month], $rule->months));
        $isPlain = null === $rule->position && [] === $rule->days && -1 !== ($rule->monthDays[0] ?? -1);

        return $isPlain ? $rule->monthDays[0].' '.$month : self::inMonth($rule).' of '.$month;
    }

    /** @param list<int> $days */
    private static function days(array $days): string
    {
        return self::joined(array_map(static fn (int $day): string => self::DAYS[$day], $days));
    }

    /** @param list<string> $parts */
    private static function joined(array $parts): string
    {
        $last = array_pop($parts) ?? '';

        return [] === $parts ? $last : implode(', ', $parts).' and '.$last;
    }

    private static function nth(int $nth): string
    {
        return self::NTH[$nth] ?? $nth.self::suffix($nth);
    }

    private static function suffix(int $number): string
    {
        return match (true) {
            \in_array($number, [11, 12, 13], true) => 'th',
            1 === $number % 10 => 'st',
            2 === $number % 10 => 'nd',
            3 === $number % 10 => 'rd',
            default => 'th',
        };
    }
}
