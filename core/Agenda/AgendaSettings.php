<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

/**
 * At which hours somebody works, how much of them they keep free, and how much of the agenda they see.
 *
 * @phpstan-type HoursState array{from: string, to: string}
 * @phpstan-type AgendaSettingsState array{
 *     hours: array<int, HoursState>|null, keptFree: int, from: string, to: string, days: int
 * }
 */
final readonly class AgendaSettings
{
    /** How many days stand on the page, of which one can choose. */
    public const DAYS = [1, 2, 3, 7];

    /** Per cent. */
    public const MOST_KEPT_FREE = 90;

    private const USUAL = ['from' => '09:00', 'to' => '17:00'];

    /**
     * @param array<int, HoursState>|null $hours    HH:MM by the day of the week, 1 is Monday; days that are missing are free; null: the
     *                                              usual ones on the working days of the week
     * @param int                         $keptFree per cent of the hours that are kept for what comes in
     * @param string                      $from     HH:MM, the first hour that is shown, when nothing lies before it
     * @param string                      $to       the last one; 24:00 is written 00:00
     * @param int                         $days     see DAYS
     *
     * @throws Refused when one cannot be
     */
    public function __construct(
        public ?array $hours = null,
        public int $keptFree = 30,
        public string $from = '07:00',
        public string $to = '19:00',
        public int $days = 7,
    ) {
        foreach ([['from' => $from, 'to' => $to], ...array_values($hours ?? [])] as $span) {
            if (self::minutes($span) <= 0) {
                throw new Refused(\sprintf('A day cannot last from %s to %s.', $span['from'], $span['to']), 'agenda');
            }
        }
        if ([] !== array_filter(array_keys($hours ?? []), static fn (int $day): bool => $day < 1 || $day > 7)) {
            throw new Refused('A week has the days 1 to 7.', 'agenda');
        }
        if ($keptFree < 0 || $keptFree > self::MOST_KEPT_FREE) {
            throw new Refused(\sprintf('Between 0 and %d per cent can be kept free.', self::MOST_KEPT_FREE), 'agenda');
        }
        if (!\in_array($days, self::DAYS, true)) {
            throw new Refused('One, two, three or seven days can be shown.', 'agenda');
        }
    }

    /** @return HoursState|null when one works on a day; null: not at all */
    public function hoursOn(LocalDate $date, Week $week): ?array
    {
        return null === $this->hours ? ($week->isWorkingDay($date) ? self::USUAL : null) : $this->hours[$date->weekday()] ?? null;
    }

    /** @return AgendaSettingsState */
    public function state(): array
    {
        return ['hours' => $this->hours, 'keptFree' => $this->keptFree, 'from' => $this->from, 'to' => $this->to, 'days' => $this->days];
    }

    /**
     * @param AgendaSettingsState $state
     *
     * @throws Refused
     */
    public static function fromState(array $state): self
    {
        return new self($state['hours'], $state['keptFree'], $state['from'], $state['to'], $state['days']);
    }

    /**
     * @param HoursState $span
     *
     * @throws Refused when one is no time of the day
     */
    private static function minutes(array $span): int
    {
        try {
            $minutes = array_map(static function (string $text): int {
                [$hour, $minute] = explode(':', (string) TimeOfDay::parse(mb_strimwidth($text, 0, 20, '…')));

                return 60 * (int) $hour + (int) $minute;
            }, [$span['from'], $span['to']]);
        } catch (Refused $refused) {
            throw new Refused($refused->getMessage(), 'agenda');
        }

        return (0 === $minutes[1] ? 1440 : $minutes[1]) - $minutes[0];
    }
}
