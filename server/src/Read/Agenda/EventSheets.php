<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\Events;
use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\Recurrence\RuleText;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Server\Account\Account;

/**
 * One event with all that belongs to it.
 *
 * @phpstan-import-type ParticipantState from Participant
 */
final readonly class EventSheets
{
    public function __construct(private Events $events, private SubscribedEvents $subscribed, private Messages $messages)
    {
    }

    /**
     * @param string|null $key which one of its series; null: the first
     *
     * @return array{
     *     event: EventView, when: string, zone: string|null, notes: string, repeat: string, participants: list<ParticipantState>,
     *     reminders: list<string>, busy: bool|null, told: bool, conversation: string|null
     * }
     *
     *        when: a phrase that says it again, by the clocks of zone; repeat: in words; busy: null when nobody has said so; told: whether
     *        anybody was by mail
     *
     * @throws NotFound
     */
    public function of(Account $account, EventId $id, ?string $key): array
    {
        $event = $this->event($account, $id);
        $one = null === $key
            ? new Occurrence($event, $event->fields()->time->key(), $event->fields()->time)
            : $event->occurrence($key) ?? throw new NotFound('occurrence', $key);
        $fields = $one->fields();
        $source = $event->source();

        return [
            'event' => EventView::of($one, $account->person(), $account->timeZone()),
            'when' => $one->time->text(),
            'zone' => $one->time->start()?->zone->getName(),
            'notes' => $fields->notes,
            'repeat' => self::repeat($event->fields()->repeat, $event->more()),
            'participants' => array_map(static fn (Participant $who): array => $who->state(), $fields->participants),
            'reminders' => array_map(static fn (Reminder $reminder): string => $reminder->text(), $fields->reminders),
            'busy' => $fields->isBusy,
            'told' => null !== $event->toldTo(),
            'conversation' => null === $source ? null : $this->conversation($account, $source),
        ];
    }

    /**
     * As it takes place next after an instant, or lately, when it does not any more.
     *
     * @throws NotFound
     */
    public function about(Account $account, EventId $id, \DateTimeImmutable $at): EventView
    {
        $event = $this->events->get($account->id, $id);
        $day = LocalDate::of($at, $account->timeZone());
        $near = array_filter(
            $event->isRepeating() ? $event->between($day->plusDays(-1), $day->plusDays(62), $account->timeZone()) : [],
            static fn (Occurrence $one): bool => $one->time->seconds($account->timeZone())[1] > $at->getTimestamp(),
        );
        $one = array_values($near)[0] ?? new Occurrence($event, $event->fields()->time->key(), $event->fields()->time);

        return EventView::of($one, $account->person(), $account->timeZone());
    }

    /** @throws NotFound */
    private function event(Account $account, EventId $id): Event
    {
        try {
            return $this->events->get($account->id, $id);
        } catch (NotFound) {
            return $this->subscribed->get($account, $id);
        }
    }

    /** @param list<string> $more */
    private static function repeat(string $repeat, array $more): string
    {
        if ('' === $repeat) {
            return [] === $more ? '' : 'on several days';
        }
        try {
            $rule = Rule::parse($repeat);

            return RuleText::of($rule)
                .(null === $rule->until ? '' : ', until '.$rule->until->text())
                .(null === $rule->count ? '' : \sprintf(', for %d times', $rule->count));
        } catch (Refused) {
            return 'by a rule of its own';
        }
    }

    /** The conversation of the message that it was made from; null when that is gone. */
    private function conversation(Account $account, EmailId $message): ?string
    {
        try {
            return $this->messages->conversationOf($this->messages->get($account->id, $message))->text;
        } catch (NotFound) {
            return null;
        }
    }
}
