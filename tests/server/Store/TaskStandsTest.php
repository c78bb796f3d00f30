<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\TestWith;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Lists\ChangeLists;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Standing;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Read\Task\OpenTasks;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Task\TasksWanted;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What queries say of whether a task waits, is over and stands by itself is what the core says of it.
 */
final class TaskStandsTest extends ApiTestCase
{
    private const ZONES = ['Europe/Dublin', 'Pacific/Kiritimati', 'America/Adak', 'Asia/Kolkata'];

    #[TestWith([1, 'Europe/Dublin'])]
    #[TestWith([2, 'Pacific/Kiritimati'])]
    #[TestWith([3, 'America/Adak'])]
    #[TestWith([4, 'Asia/Kathmandu'])]
    public function testGeneratedTasks(int $seed, string $zone): void
    {
        // What is due at this minute is over in the next second.
        $clock = $this->service(ProgramClock::class);
        $clock->at($clock->now(), fn () => $this->holds($seed, $zone));
    }

    private function holds(int $seed, string $zone): void
    {
        $account = $this->signIn();
        $account->profile->settle($account->profile->name(), $zone);
        $chance = new Randomizer(new Mt19937($seed));
        $now = new Moment($this->service(ProgramClock::class)->now(), new \DateTimeZone($zone));
        $tasks = $this->generated($account, $chance, $now);
        $expected = ['open' => [], 'waiting' => [], 'parts' => []];
        $counts = ['open' => 0, 'over' => 0];
        foreach ($tasks as $task) {
            $above = [];
            for ($id = $task->parentId(); null !== $id; $id = $tasks[$id->text]->parentId()) {
                $above[] = $tasks[$id->text];
            }
            $waits = Standing::waits($task, $above, $now);
            $isOver = true === $task->due()?->isOver($now->instant, $now->zone);
            $waits || $expected['parts'][] = $task->id->text;
            if ($waits && Standing::alone(null !== $task->parentId(), null !== $task->start())) {
                $expected['waiting'][] = $task->id->text;
            }
            if (!$waits && self::isAlone($task)) {
                $expected['open'][] = $task->id->text;
                ++$counts['open'];
                $counts['over'] += (int) $isOver;
            }
        }
        $rows = $this->service(TaskRows::class);
        foreach ($expected as &$names) {
            sort($names);
        }
        self::assertSame($expected, [
            'open' => self::ids($rows->page($account, new TasksWanted())['tasks']),
            'waiting' => self::ids($rows->page($account, new TasksWanted('waiting'))['tasks']),
            'parts' => self::ids($rows->all($account, new TasksWanted())),
        ]);
        self::assertSame($counts, $this->service(OpenTasks::class)->counts($account));
        self::assertSame(
            \count(array_filter($tasks, self::isAlone(...))),
            array_sum(array_column($rows->lists($account), 'open')),
        );
    }

    /**
     * @param list<TaskRow> $rows
     *
     * @return list<string>
     */
    private static function ids(array $rows): array
    {
        $ids = array_column($rows, 'id');
        sort($ids);

        return $ids;
    }

    private static function isAlone(Task $task): bool
    {
        return Standing::alone(null !== $task->parentId(), null !== $task->due());
    }

    /** @return array<string, Task> */
    private function generated(Account $account, Randomizer $chance, Moment $now): array
    {
        $list = '0190a0a0-0000-7000-8000-000000000000';
        $this->service(ChangeLists::class)->add(
            $account->id,
            new EntryId('0190a0a0-0000-7000-8000-000000000001'),
            new ListId($list),
            'Roof',
            Colour::Sea,
        );
        $orm = $this->service(EntityManagerInterface::class);
        $tasks = [];
        for ($i = 0; $i < 60; ++$i) {
            $task = new Task(
                new TaskId(\sprintf('0190a0a0-0000-7000-8000-1%011d', $i)),
                $account->id,
                $now->instant,
                'Task '.$i,
                new ListId($list),
            );
            if ([] !== $tasks && 0 !== $chance->getInt(0, 2)) {
                $task->place(new ListId($list), new TaskId(array_keys($tasks)[$chance->getInt(0, \count($tasks) - 1)]), 'V');
            }
            $start = $this->near($chance, $now);
            $due = $this->near($chance, $now);
            $task->schedule(null === $start || null === $due || $due->isAfter($start, $now->zone) ? $start : null, $due, $now->zone);
            $orm->persist($task);
            $tasks[$task->id->text] = $task;
        }
        $orm->flush();

        return $tasks;
    }

    /** Near now, since everything else is told by its day. */
    private function near(Randomizer $chance, Moment $now): ?Due
    {
        $near = new Moment($now->instant->modify(\sprintf('%+d minutes', $chance->getInt(-40, 40) * 60)), $now->zone);
        $zone = new \DateTimeZone(self::ZONES[$chance->getInt(0, 3)]);

        return match ($chance->getInt(0, 3)) {
            0 => null,
            1 => Due::onDay($near->date()),
            2 => Due::at($near->date(), $near->time(), $near->zone),
            3 => Due::at(LocalDate::of($near->instant, $zone), TimeOfDay::of($near->instant, $zone), $zone),
        };
    }
}
