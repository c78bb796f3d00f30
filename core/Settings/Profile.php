<?php

declare(strict_types=1);

namespace ZippyTray\Core\Settings;

use ZippyTray\Core\Agenda\AgendaSettings;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\MailIn\MailInSettings;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskSettings;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Tray\ClearingOrder;
use ZippyTray\Core\Tray\TraySettings;

/**
 * Who somebody is, and what they have chosen, by subject. What is missing of a subject is as usual.
 */
final class Profile
{
    /** So many addresses somebody can have besides the one that they go by. */
    private const MOST = 20;

    private string $zone;

    /** @var list<string> in lower case */
    private array $addresses = [];

    /** Whether 4/12 is the fourth of December to this person. */
    private bool $dayFirst = true;

    /** @var array{weekStart?: int, workingDays?: list<int>, marks?: array<string, string>} how they speak of time */
    private array $timeSettings = [];

    /** @var array{completeSubtasks?: bool, reminderPercent?: int, reminderDays?: int, taskDue?: string, taskReminder?: string} */
    private array $taskSettings = [];

    /** @var array{snoozes?: list<string>, mailEndsSnooze?: bool, nextAfterDeciding?: bool} */
    private array $traySettings = [];

    /** @var array{undoSeconds?: int, signature?: string, digest?: bool} */
    private array $postSettings = [];

    /** @var array{on?: bool, allowed?: list<string>, confirm?: string} */
    private array $mailInSettings = [];

    /** @var array{hours?: array<int, array{from: string, to: string}>|null, keptFree?: int, from?: string, to?: string, days?: int} */
    private array $agendaSettings = [];

    private ClearingOrder $clearingOrder = ClearingOrder::Grouped;

    /**
     * @param string $zone IANA name of the zone that the person lives in
     *
     * @throws Refused when the system does not know the zone
     */
    public function __construct(private string $name, string $zone)
    {
        $this->settle($name, $zone);
    }

    /** @throws Refused when the system does not know the zone */
    public function settle(string $name, string $zone): void
    {
        $this->name = $name;
        $this->zone = Moment::zone($zone)->getName();
    }

    public function name(): string
    {
        return $this->name;
    }

    public function timeZone(): \DateTimeZone
    {
        return Moment::zone($this->zone);
    }

    /**
     * @param list<string> $addresses that are theirs, besides the one that they go by
     *
     * @throws Refused when one is no address
     */
    public function goBy(array $addresses): void
    {
        $addresses = array_values(array_unique(array_map(
            static fn (string $address): string => mb_strtolower(trim($address)),
            $addresses,
        )));
        foreach ($addresses as $address) {
            if (!Address::isValid($address)) {
                throw new Refused(
                    \sprintf('"%s" is no address that mail can be sent to.', mb_strimwidth($address, 0, 80, '…')),
                    'addresses',
                );
            }
        }
        if (\count($addresses) > self::MOST) {
            throw new Refused(\sprintf('You can have %d other addresses at most.', self::MOST), 'addresses');
        }
        $this->addresses = $addresses;
    }

    /** @return list<string> besides the one that they go by */
    public function addresses(): array
    {
        return $this->addresses;
    }

    public function choose(
        ClearingOrder $clearingOrder,
        TimeSettings $time,
        TaskSettings $tasks,
        TraySettings $tray,
        PostSettings $post,
        MailInSettings $mailIn,
        AgendaSettings $agenda,
    ): void {
        $this->clearingOrder = $clearingOrder;
        ['dayFirst' => $this->dayFirst] = $state = $time->state();
        $this->timeSettings = ['weekStart' => $state['weekStart'], 'workingDays' => $state['workingDays'], 'marks' => $state['marks']];
        $this->taskSettings = $tasks->state();
        $this->traySettings = $tray->state();
        $this->postSettings = $post->state();
        $this->mailInSettings = $mailIn->state();
        $this->agendaSettings = $agenda->state();
    }

    public function choosePost(PostSettings $post): void
    {
        $this->postSettings = $post->state();
    }

    public function timeSettings(): TimeSettings
    {
        return TimeSettings::fromState(['dayFirst' => $this->dayFirst] + $this->timeSettings + (new TimeSettings())->state());
    }

    public function taskSettings(): TaskSettings
    {
        return TaskSettings::fromState($this->taskSettings + (new TaskSettings())->state());
    }

    public function traySettings(): TraySettings
    {
        return TraySettings::fromState($this->traySettings + (new TraySettings())->state());
    }

    public function postSettings(): PostSettings
    {
        $state = $this->postSettings + (new PostSettings())->state();

        return new PostSettings($state['undoSeconds'], $state['signature'], $state['digest']);
    }

    public function mailInSettings(): MailInSettings
    {
        return MailInSettings::fromState($this->mailInSettings + (new MailInSettings())->state());
    }

    public function agendaSettings(): AgendaSettings
    {
        return AgendaSettings::fromState($this->agendaSettings + (new AgendaSettings())->state());
    }

    public function clearingOrder(): ClearingOrder
    {
        return $this->clearingOrder;
    }

    /** As somebody who writes time at that moment. */
    public function speaker(\DateTimeInterface $now): Speaker
    {
        return new Speaker(new Moment($now, $this->timeZone()), $this->timeSettings());
    }

    /**
     * @param string       $email  the address that they go by
     * @param list<string> $others those of their mailboxes
     */
    public function person(string $email, array $others = []): Person
    {
        $others = array_filter([...$this->addresses, ...$others], static fn (string $one): bool => strtolower($one) !== strtolower($email));

        return new Person($email, $this->name, $this->timeSettings(), $this->timeZone(), array_values(array_unique($others)));
    }

    /** @return list<mixed> changes whenever the person chooses something else */
    public function state(): array
    {
        return [
            $this->name,
            $this->zone,
            $this->addresses,
            $this->dayFirst,
            $this->timeSettings,
            $this->taskSettings,
            $this->traySettings,
            $this->postSettings,
            $this->mailInSettings,
            $this->agendaSettings,
            $this->clearingOrder->value,
        ];
    }
}
