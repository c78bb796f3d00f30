<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * Where something stands in an order of the person's own: text that sorts byte by byte, so that
 * between any two there is room for another, and moving one thing changes that thing only.
 */
final readonly class Rank
{
    private const DIGITS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';

    private const BASE = 62;

    /** Characters that count when something is put at an end. */
    private const WIDTH = 6;

    private const STEP = 62_000;

    /**
     * A rank behind $before and ahead of $after; null stands for the beginning and the end.
     */
    public static function between(?string $before, ?string $after): string
    {
        return match (true) {
            null === $before && null === $after => self::written(intdiv(self::BASE ** self::WIDTH, 2)),
            null === $after => self::end((string) $before),
            null === $before => self::beginning($after),
            default => self::middle($before, $after),
        };
    }

    /**
     * Several ranks in rising order, as short as can be.
     *
     * @return list<string>
     */
    public static function several(?string $before, ?string $after, int $count): array
    {
        if ($count < 1) {
            return [];
        }
        if (null === $after) {
            $ranks = [];
            for (; $count > 0; --$count) {
                $ranks[] = $before = self::between($before, null);
            }

            return $ranks;
        }
        $middle = self::between($before, $after);
        $left = intdiv($count - 1, 2);

        return [...self::several($before, $middle, $left), $middle, ...self::several($middle, $after, $count - 1 - $left)];
    }

    private static function end(string $before): string
    {
        $number = self::number($before) + self::STEP;

        return $number < self::BASE ** self::WIDTH ? self::written($number) : self::middle($before, null);
    }

    private static function beginning(string $after): string
    {
        $number = self::number($after) - self::STEP;

        return $number > 0 ? self::written($number) : self::middle('', $after);
    }

    private static function number(string $rank): int
    {
        $number = 0;
        foreach (str_split(str_pad(substr($rank, 0, self::WIDTH), self::WIDTH, '0')) as $digit) {
            $number = $number * self::BASE + (int) strpos(self::DIGITS, $digit);
        }

        return $number;
    }

    private static function written(int $number): string
    {
        $text = '';
        for ($place = 0; $place < self::WIDTH; ++$place) {
            $text = self::DIGITS[$number % self::BASE].$text;
            $number = intdiv($number, self::BASE);
        }

        return rtrim($text, '0');
    }

    /** Digits behind a point: no rank ends in 0, so that there is always room below it. */
    private static function middle(string $low, ?string $high): string
    {
        $same = 0;
        while (null !== $high && $same < \strlen($high) && ($low[$same] ?? '0') === $high[$same]) {
            ++$same;
        }
        if ($same > 0) {
            return substr((string) $high, 0, $same).self::middle(substr($low, $same), substr((string) $high, $same));
        }
        $from = '' === $low ? 0 : (int) strpos(self::DIGITS, $low[0]);
        $to = null === $high ? self::BASE : (int) strpos(self::DIGITS, $high[0]);
        if ($to - $from > 1) {
            return self::DIGITS[intdiv($from + $to, 2)];
        }

        return null !== $high && \strlen($high) > 1 ? $high[0] : self::DIGITS[$from].self::middle(substr($low, 1), null);
    }
}
