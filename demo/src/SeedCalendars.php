<?php

declare(strict_types=1);

namespace ZippyTray\Demo;

use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Subscription\CalendarAddress;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Calendar\Subscription\CalendarRoom;
use ZippyTray\Server\Calendar\Subscription\ReadSubscription;
use ZippyTray\Server\Calendar\Subscription\Subscriptions;
use ZippyTray\Server\Calendar\WriteCalendar;

/**
 * Calendars of others in the demo: files where the stand-in for their servers looks, which are read once.
 */
final readonly class SeedCalendars
{
    public function __construct(
        private Scenario $scenario,
        private Subscriptions $subscriptions,
        private ReadSubscription $read,
        private Ids $ids,
    ) {
    }

    public function __invoke(Account $account, RelativeDate $dates, \DateTimeImmutable $now): void
    {
        $zone = $account->timeZone();
        foreach ($this->scenario->calendars() as ['address' => $address, 'name' => $name, 'busy' => $busy, 'events' => $events]) {
            $file = new WriteCalendar($now, new Address('office@harbour.example', $name));
            foreach ($events as $event) {
                $at = $dates->read($event['begins']);
                $date = LocalDate::of($at, $zone);
                $time = isset($event['days'])
                    ? EventTime::days($date, $event['days'])
                    : EventTime::from(Due::at($date, TimeOfDay::of($at, $zone), $zone), $event['minutes'] ?? 60);
                $file->event(new Event(
                    new EventId($this->ids->next()),
                    $account->id,
                    new EventFields($event['title'], $time, $event['place'] ?? '', repeat: $event['repeat'] ?? ''),
                ));
            }
            $address = CalendarAddress::parse($address);
            CalendarRoom::put($address, $file->text());
            $id = $this->ids->next();
            $this->subscriptions->add($account, $id, $address, $name, $busy);
            ($this->read)($id, $now);
        }
    }
}
