<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

/**
 * The hours at which mail that arrives comes into the tray; what arrives between two of them is held back until the later one.
 *
 * @phpstan-type SessionsState array{on: bool, hours: list<string>, workingDaysOnly: bool}
 */
final readonly class Sessions
{
    public const MOST = 12;

    /** What is proposed to who has chosen none yet. */
    public const USUAL = ['09:00', '13:00', '16:30'];

    /** A working day comes within so many days, and one more, since the hours of today may be over. */
    private const AHEAD = 8;

    /** @var list<string> HH:MM, in the order of the day */
    public array $hours;

    /**
     * @param bool         $on    otherwise mail comes in as it arrives
     * @param list<string> $hours HH:MM, of the person's own zone
     *
     * @throws Refused when an hour is none, or there is none
     */
    public function __construct(public bool $on = false, array $hours = self::USUAL, public bool $workingDaysOnly = false)
    {
        $times = array_values(array_unique(array_map(self::hour(...), $hours)));
        sort($times);
        if ([] === $times) {
            throw new Refused('At which hours is mail to come in? It takes one at least.', 'sessions');
        }
        if (\count($times) > self::MOST) {
            throw new Refused(\sprintf('Mail can come in at %d hours of a day at most.', self::MOST), 'sessions');
        }
        $this->hours = $times;
    }

    /**
     * @param Moment $now in the zone of the person
     *
     * @return Moment|null the first hour after it; null when nothing is held back
     */
    public function next(Moment $now, Week $week): ?Moment
    {
        for ($day = 0; $this->on && $day <= self::AHEAD; ++$day) {
            $date = $now->date()->plusDays($day);
            $next = $this->workingDaysOnly && !$week->isWorkingDay($date) ? null : $this->on($date, $now);
            if (null !== $next) {
                return $next;
            }
        }

        return null;
    }

    /** @return SessionsState */
    public function state(): array
    {
        return ['on' => $this->on, 'hours' => $this->hours, 'workingDaysOnly' => $this->workingDaysOnly];
    }

    /**
     * @param SessionsState $state
     *
     * @throws Refused
     */
    public static function fromState(array $state): self
    {
        return new self($state['on'], $state['hours'], $state['workingDaysOnly']);
    }

    private function on(LocalDate $date, Moment $now): ?Moment
    {
        // Where the clock changes, two hours can be one moment, or stand in another order.
        $moments = array_filter(
            array_map(static fn (string $hour): Moment => Moment::at($date, TimeOfDay::parse($hour), $now->zone), $this->hours),
            static fn (Moment $moment): bool => $moment->isAfter($now->instant),
        );
        usort($moments, static fn (Moment $one, Moment $other): int => $one->instant <=> $other->instant);

        return $moments[0] ?? null;
    }

    /** @throws Refused */
    private static function hour(string $text): string
    {
        try {
            return (string) TimeOfDay::parse(mb_strimwidth(mb_scrub($text), 0, 20, '…'));
        } catch (Refused $refused) {
            throw new Refused($refused->getMessage(), 'sessions');
        }
    }
}
