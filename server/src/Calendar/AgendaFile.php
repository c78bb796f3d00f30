<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Slot;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\Label\Labels;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;

/**
 * All events and tasks of somebody in one calendar file.
 */
final readonly class AgendaFile
{
    /** Days before today from which on others are shown what took place. */
    private const SHOWN = 60;

    public function __construct(private EntityManagerInterface $orm, private Labels $labels, private ClockInterface $clock)
    {
    }

    public function all(Account $account): string
    {
        $write = $this->begin($account);
        foreach ($this->of(Event::class, $account) as $event) {
            $write->event($event);
        }
        $lists = $slots = [];
        foreach ($this->of(TaskList::class, $account) as $list) {
            $lists[$list->id->text] = $list->name();
        }
        foreach ($this->of(Slot::class, $account) as $slot) {
            $slots[$slot->taskId()->text][] = $slot;
        }
        $labels = $this->labels->all($account->id);
        foreach ($this->of(Task::class, $account) as $task) {
            $write->task(
                $task,
                $lists[$task->listId()->text] ?? '',
                array_map(static fn (Label $label): string => $label->name(), $labels->borne($task->labels(), $task->isDone())),
                $slots[$task->id->text] ?? [],
            );
        }

        return $write->text();
    }

    /**
     * What other programs are to show: what takes place from some weeks ago on, and when tasks are meant to be done.
     */
    public function feed(Account $account): string
    {
        $write = $this->begin($account);
        $since = LocalDate::of($this->clock->now(), $account->timeZone())->plusDays(-self::SHOWN);
        foreach ($this->orm->createQueryBuilder()->select('e')->from(Event::class, 'e')
            ->where('e.accountId = :account AND (e.lastDay IS NULL OR e.lastDay >= :since)')->orderBy('e.id')
            ->setParameter('account', $account->id, 'account_id')->setParameter('since', (string) $since)
            ->getQuery()->toIterable() as $event) {
            \assert($event instanceof Event);
            $write->event($event);
        }
        foreach ($this->orm->createQueryBuilder()->select('s', 't.title')->from(Slot::class, 's')
            ->join(Task::class, 't', 'WITH', 't.id = s.taskId')
            ->where('s.accountId = :account AND s.day >= :since')->orderBy('s.id')
            ->setParameter('account', $account->id, 'account_id')->setParameter('since', (string) $since)
            ->getQuery()->toIterable() as $row) {
            \assert(\is_array($row) && $row[0] instanceof Slot && \is_string($row['title']));
            $write->slot($row[0], $row['title']);
        }

        return $write->text();
    }

    public function one(Account $account, Event $event): string
    {
        $write = $this->begin($account);
        $write->event($event);

        return $write->text();
    }

    private function begin(Account $account): WriteCalendar
    {
        return new WriteCalendar(
            \DateTimeImmutable::createFromInterface($this->clock->now()),
            new Address($account->email, $account->profile->name()),
        );
    }

    /**
     * @template Thing of object
     *
     * @param class-string<Thing> $class
     *
     * @return list<Thing>
     */
    private function of(string $class, Account $account): array
    {
        return $this->orm->getRepository($class)->findBy(['accountId' => $account->id], ['id' => 'ASC']);
    }
}
