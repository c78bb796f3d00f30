<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use ZippyTray\Core\Agenda\FindWays;
use ZippyTray\Core\Agenda\Way;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;

/**
 * What can be done about what does not fit.
 */
final readonly class AgendaWays
{
    /** So many days behind the last one on which anything is due another day is looked for. */
    private const FURTHER = 90;

    public function __construct(private LookAhead $look)
    {
    }

    /**
     * @param string $id of a task, or of a slot
     *
     * @return list<array{kind: string, day: string|null, minutes: int|null, short: list<array{task: string, minutes: int, by: string}>}>
     *
     *         minutes: that it takes then; short: what does not fit then
     */
    public function of(Account $account, string $id): array
    {
        $today = LocalDate::of($this->look->now(), $account->timeZone());
        $ahead = ($this->look)($account, $today, $today, self::FURTHER);
        $find = new FindWays($ahead->today, $ahead->free, $ahead->loads);

        return array_map(self::view(...), [...$find->of($id), ...$find->of('slot '.$id)]);
    }

    /** @return array{kind: string, day: string|null, minutes: int|null, short: list<array{task: string, minutes: int, by: string}>} */
    private static function view(Way $way): array
    {
        $short = [];
        foreach ($way->fit->short as $task => ['minutes' => $minutes, 'by' => $by]) {
            null === $by ?: $short[] = ['task' => (string) $task, 'minutes' => $minutes, 'by' => (string) $by];
        }

        return ['kind' => $way->kind->value, 'day' => $way->day?->__toString(), 'minutes' => $way->minutes, 'short' => $short];
    }
}
