<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Time\Prose\Spot;
use ZippyTray\Core\Tray\Advice\Language\Tongue;

/**
 * Tells which of the days and times of a sentence has taken another's place: "moved from Thursday to Friday", "at noon
 * instead of ten", "not on Thursday but on Friday".
 */
final readonly class Moved
{
    /** Words that belong to a day or a time and stand before it, in any language */
    private const AT = '(?:\s+(?:the|on|at|dem|den|der|am|um|le|la|el|il|lo|kl|op|om|das|às|às|las|les|alle))*(?:\s+l\')?\s*$';

    /** Up to when something lasts, which is no place that it moves to, in any language */
    private const UNTIL = 'until|till|bis|jusqu\'|hasta|fino|tot|até';

    /** Characters at most between what is said to move and from where */
    private const APART = 60;

    /**
     * @param list<Spot>           $spots those that still hold, and days that do not
     * @param array<int, int|null> $from  the first character of a day or time => that of the day whose place it took, if it was another
     * @param array<int, int>      $other those of which it is said that they are meant and not the other => the other
     * @param array<int>           $gone  first characters of days that do not hold any more
     */
    private function __construct(public array $spots, public array $from, public array $other, public array $gone)
    {
    }

    /**
     * @param list<Spot>                   $spots  all those of the sentence, in order
     * @param string                       $lower  the sentence in lower case
     * @param \Closure(string): list<Spot> $spotIn finds those of a text
     */
    public static function among(array $spots, string $lower, Tongue $tongue, \Closure $spotIn): self
    {
        ['verb' => $verb, 'from' => $origin, 'to' => $to, 'instead' => $instead, 'not' => $not, 'but' => $but] = $tongue->moving();
        $ends = static fn (string $words, string $text): bool => 1 === preg_match("/(?<!\p{L})(?:{$words})".self::AT.'/u', $text);
        $moves = "(?<!\p{L})(?:{$verb})";
        $isMoved = 1 === preg_match("/{$moves}/u", $lower);
        if ([] === $spots || (!$isMoved && 1 !== preg_match("/(?<!\p{L})(?:{$instead}|{$but})/u", $lower))) {
            return new self($spots, [], [], []);
        }
        [$kept, $from, $other, $gone] = [[], [], [], []];
        /** @var Spot|null $last whose place the next may take */
        $last = null;
        foreach ($spots as $spot) {
            [$before, $behind] = [self::before($lower, $spot), mb_substr($lower, $spot->to, self::APART)];
            $between = null === $last ? null : mb_substr($lower, $last->to, $spot->from - $last->to);
            $isNear = null !== $between && 1 === preg_match('/^[^;.]{0,30}$/u', $between);
            $inside = mb_substr($lower, $spot->from, $spot->to - $spot->from);
            $isFrom = $isMoved
                && 1 === preg_match("/{$moves}\p{L}*(?:\s\p{L}+){0,3}?(?:\s(?:{$origin}))?\s*$/u", $before)
                && ($ends($origin, $before) || 1 === preg_match("/^(?:{$origin})\s/u", $inside));
            if ($isFrom && 1 === preg_match("/\s(?:{$to})\s+(?<to>.+)$/u", $inside, $m)) {
                // "from nine to ten" was read as a stretch.
                $spot = self::endOf($spot, $m['to'], $spotIn);
                $from[$spot->from] = null;
            } elseif ($isNear && $ends($but, $before) && $ends($not, self::before($lower, $last))) {
                [$kept, $spot] = self::replaced($kept, $spot);
                $other[$spot->from] = $gone[] = $last->from;
            } elseif ($isMoved
                && $ends($to, $before)
                && ((null !== $last && $ends($origin, self::before($lower, $last)))
                    || 1 === preg_match("/{$moves}[^;.]{0,".self::APART.'}$/u', $before)
                    || 1 === preg_match("/^[^,;.]*{$moves}/u", $behind))) {
                if ($isNear) {
                    [$kept, $spot] = self::replaced($kept, $spot);
                    $from[$spot->from] = $gone[] = $last->from;
                } elseif (!$ends(self::UNTIL, $before)) {
                    $from[$spot->from] = null;
                }
            } elseif ($ends($instead, $before)) {
                if (!$spot->isDay) {
                    continue;
                }
                if (null !== $last?->clock && !$last->isDay) {
                    // "At 8:05, not at 8:15, on Friday."
                    [$kept, $spot] = [\array_slice($kept, 0, -1), new Spot($last->from, $spot->to, $spot->day, $last->clock, true)];
                } else {
                    $gone[] = $spot->from;
                }
            }
            $kept[] = $last = $spot;
        }

        return new self($kept, $from, $other, array_diff($gone, array_keys($from), array_keys($other)));
    }

    /** Whether another took its place, or it took another's. */
    public function isMoved(Spot $spot): bool
    {
        return \array_key_exists($spot->from, $this->from) || \in_array($spot->from, $this->from, true);
    }

    private static function before(string $lower, Spot $spot): string
    {
        $from = max(0, $spot->from - 2 * self::APART);

        return mb_substr($lower, $from, $spot->from - $from);
    }

    /**
     * A time alone that does not hold is forgotten, and one that took its place is of the same day.
     *
     * @param list<Spot> $kept of which the last does not hold any more
     *
     * @return array{list<Spot>, Spot}
     */
    private static function replaced(array $kept, Spot $by): array
    {
        $last = $kept[\count($kept) - 1];
        if ($last->isDay && $by->isDay) {
            return [$kept, $by];
        }

        return [\array_slice($kept, 0, -1), $last->isDay ? new Spot($last->from, $by->to, $last->day, $by->clock, true) : $by];
    }

    /** @param \Closure(string): list<Spot> $spotIn */
    private static function endOf(Spot $spot, string $end, \Closure $spotIn): Spot
    {
        if (null !== $spot->clock?->until) {
            return new Spot($spot->from, $spot->to, $spot->day, $spot->clock->until, $spot->isDay);
        }
        $last = $spotIn($end)[0] ?? null;

        return null === $last
            ? $spot
            : new Spot($spot->to - mb_strlen($end) + $last->from, $spot->to, $last->day, $last->clock, $last->isDay);
    }
}
