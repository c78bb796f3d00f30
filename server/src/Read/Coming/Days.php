<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Coming;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Task\OpenTasks;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRow;
use ZippyTray\Server\Read\Tray\ConversationRows;

/**
 * What the coming days hold.
 */
final readonly class Days
{
    public function __construct(
        private TaskRows $tasks,
        private OpenTasks $open,
        private ConversationRows $conversations,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @return list<array{
     *     date: string, tasks: int, minutes: int, starts: int, returns: int, back: ?string
     * }> from today on; what is overdue counts for today; back: when something comes back that is put down there
     */
    public function glance(Account $account, int $count): array
    {
        $speaker = $account->profile->speaker($this->clock->now());
        $today = $speaker->now->date();
        $days = [];
        for ($number = 0; $number < $count; ++$number) {
            $days[(string) $today->plusDays($number)] = ['tasks' => 0, 'minutes' => 0, 'starts' => 0, 'returns' => 0];
        }
        foreach ($this->open->of($account) as $task) {
            if ($task['archived']) {
                continue;
            }
            $date = $task['over'] ? (string) $today : $task['day'];
            if (isset($days[$date]) && !$task['waiting']) {
                ++$days[$date]['tasks'];
                $days[$date]['minutes'] += $task['minutes'];
            }
            if (isset($days[$task['start']]) && $task['waiting']) {
                ++$days[$task['start']]['starts'];
            }
        }
        foreach ($this->conversations->returns($account, $today->plusDays($count)) as $at) {
            $date = self::dayOf($at, $account);
            if (isset($days[$date])) {
                ++$days[$date]['returns'];
            }
        }

        return array_map(static function (string $date, array $day) use ($speaker): array {
            $back = $speaker->ahead(LocalDate::parse($date));

            return ['date' => $date] + $day + ['back' => $back->isAfter($speaker->now->instant) ? (string) $back->time() : null];
        }, array_keys($days), $days);
    }

    /** @return array{date: string, tasks: list<TaskRow>, starts: list<TaskRow>, returns: list<ConversationRow>} */
    public function one(Account $account, LocalDate $date): array
    {
        $isToday = $account->profile->speaker($this->clock->now())->now->date()->equals($date);
        $near = $this->tasks->near($account, $date, $isToday);

        return [
            'date' => (string) $date,
            'tasks' => array_values(array_filter(
                $near,
                static fn (TaskRow $task): bool => !$task->waiting
                    && (($task->due['date'] ?? '') === (string) $date || ($isToday && $task->over)),
            )),
            'starts' => array_values(array_filter(
                $near,
                static fn (TaskRow $task): bool => $task->waiting && ($task->start['date'] ?? '') === (string) $date,
            )),
            'returns' => $this->conversations->returning($account, $date),
        ];
    }

    private static function dayOf(string $instant, Account $account): string
    {
        return (string) LocalDate::of(new \DateTimeImmutable($instant), $account->timeZone());
    }
}
