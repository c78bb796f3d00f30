<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Agenda\HoursThere;
use ZippyTray\Core\Agenda\ShareKeptFree;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Task\Clocks;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * What came in over the last four weeks that nobody had planned, for the share of the hours that is kept free.
 */
final readonly class WhatCameIn
{
    private const DAYS = 28;

    /** Minutes that a task took of which nothing is known. */
    private const USUAL = 10;

    public function __construct(private Connection $connection, private WeekFigures $figures, private ClockInterface $clock)
    {
    }

    /** @return array{share: int|null, clearing: int, unplanned: int} share: per cent, null: too little is known; minutes a day of work */
    public function of(Account $account): array
    {
        $zone = $account->timeZone();
        $today = LocalDate::of($this->clock->now(), $zone);
        $first = $today->plusDays(-self::DAYS);
        $settings = $account->profile->agendaSettings();
        $week = $account->profile->timeSettings()->week;
        $hours = $worked = 0;
        for ($day = 0; $day < self::DAYS; ++$day) {
            $span = $settings->hoursOn($first->plusDays($day), $week);
            $worked += null === $span ? 0 : 1;
            $hours += null === $span ? 0 : HoursThere::between($first->plusDays($day), $span, $zone);
        }
        $midnight = TimeOfDay::parse('00:00');
        $of = [
            'account' => $account->id->text,
            'from' => StoredNow::of($first->at($midnight, $zone)),
            'until' => StoredNow::of($today->at($midnight, $zone)),
        ];
        $clearing = $this->clearing($of, $zone);
        $unplanned = $this->unplanned($of, $zone);
        $days = \count($clearing + $unplanned);

        return [
            'share' => ShareKeptFree::proposed($hours, (int) array_sum($clearing), (int) array_sum($unplanned), $days),
            'clearing' => (int) round(array_sum($clearing) / max(1, $worked)),
            'unplanned' => (int) round(array_sum($unplanned) / max(1, $worked)),
        ];
    }

    /**
     * @param array<string, string> $of
     *
     * @return array<string, float> minutes by day
     */
    private function clearing(array $of, \DateTimeZone $zone): array
    {
        $minutes = [];
        foreach ($this->figures->clearings($of) as ['at' => $at, 'seconds' => $seconds]) {
            $day = self::day($at, $zone);
            $minutes[$day] = ($minutes[$day] ?? 0) + $seconds / 60;
        }

        return $minutes;
    }

    /**
     * Tasks that were made and done on one and the same day.
     *
     * @param array<string, string> $of
     *
     * @return array<string, float> minutes by day
     */
    private function unplanned(array $of, \DateTimeZone $zone): array
    {
        $seconds = Clocks::SECONDS;
        $minutes = [];
        foreach ($this->connection->iterateAssociative(
            "SELECT t.created_at, t.completed_at, t.estimate, (SELECT SUM({$seconds})
                FROM stretch s WHERE s.task_id = t.id AND s.ends IS NOT NULL) took
             FROM task t WHERE t.account_id = :account AND t.completed_at >= :from AND t.completed_at < :until",
            $of,
        ) as $columns) {
            $row = new Row($columns);
            $day = self::day($row->string('completed_at'), $zone);
            if ($day === self::day($row->string('created_at'), $zone)) {
                $took = match (true) {
                    null !== $columns['took'] => $row->int('took') / 60,
                    null !== $columns['estimate'] => $row->int('estimate'),
                    default => self::USUAL,
                };
                $minutes[$day] = ($minutes[$day] ?? 0) + $took;
            }
        }

        return $minutes;
    }

    private static function day(string $instant, \DateTimeZone $zone): string
    {
        return (string) LocalDate::of(new \DateTimeImmutable($instant), $zone);
    }
}
