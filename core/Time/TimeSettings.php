<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

use ZippyTray\Core\Refused;

/**
 * How a person speaks of time.
 *
 * @phpstan-type TimeSettingsState array{dayFirst: bool, weekStart: int, workingDays: list<int>, marks: array<string, string>}
 */
final readonly class TimeSettings
{
    /** @var array<string, TimeOfDay> by the value of the mark */
    private array $marks;

    /**
     * @param bool                  $dayFirst whether 4/12 is the fourth of December
     * @param array<string, string> $marks    times (HH:MM) by the value of their mark; those left out are the usual ones
     *
     * @throws Refused when the marks do not follow one another in the order of the day
     */
    public function __construct(public bool $dayFirst = true, public Week $week = new Week(), array $marks = [])
    {
        $times = [];
        [$before, $earlier] = [null, null];
        foreach (DayMark::cases() as $mark) {
            $time = isset($marks[$mark->value]) && DayMark::Noon !== $mark ? TimeOfDay::parse($marks[$mark->value]) : $mark->usual();
            if (null !== $before && (string) $time < (string) $earlier) {
                throw new Refused(
                    \sprintf('%s (%s) cannot be before %s (%s).', ucfirst(self::name($mark)), $time, self::name($before), $earlier),
                    'marks',
                );
            }
            $times[$mark->value] = $time;
            [$before, $earlier] = [$mark, $time];
        }
        $this->marks = $times;
    }

    public function at(DayMark $mark): TimeOfDay
    {
        return $this->marks[$mark->value];
    }

    /** @return TimeSettingsState */
    public function state(): array
    {
        return [
            'dayFirst' => $this->dayFirst,
            'weekStart' => $this->week->firstDay,
            'workingDays' => $this->week->workingDays,
            // Noon is where it is.
            'marks' => array_map(
                static fn (TimeOfDay $time): string => (string) $time,
                array_diff_key($this->marks, [DayMark::Noon->value => true]),
            ),
        ];
    }

    /**
     * @param TimeSettingsState $state
     *
     * @throws Refused
     */
    public static function fromState(array $state): self
    {
        return new self($state['dayFirst'], new Week($state['weekStart'], $state['workingDays']), $state['marks']);
    }

    private static function name(DayMark $mark): string
    {
        return str_replace('_', ' ', $mark->value);
    }
}
