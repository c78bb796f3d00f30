<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Agenda\Event\Answer;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\Events;
use ZippyTray\Core\Agenda\Event\Follow;
use ZippyTray\Core\Agenda\Event\FreeTimes;
use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Agenda\Event\ToldEvent;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;

/**
 * Holds an invitation against the agenda: what clashes, when there is time near it, and what is said otherwise than before.
 */
final readonly class Invitations
{
    public function __construct(
        private Events $events,
        private EventsBetween $between,
        private Entries $entries,
        private ClockInterface $clock,
    ) {
    }

    public function of(Account $account, Message $message, ToldEvent $told): InvitationView
    {
        $event = $this->events->withUid($account->id, $told->uid);
        $zone = $account->timeZone();
        $time = $told->fields->time;
        $around = ($this->between)(
            $account,
            $time->firstDay($zone)->plusDays(-FreeTimes::DAYS),
            $time->lastDay($zone)->plusDays(FreeTimes::DAYS),
        );
        $others = array_values(array_filter(
            $around,
            static fn (Occurrence $one): bool => $one->event->uid() !== $told->uid && $one->event->takesTimeOf($account->person()),
        ));
        [$from, $until] = $time->seconds($zone);
        $clashes = array_values(array_filter($others, static function (Occurrence $one) use ($from, $until, $zone): bool {
            [$begins, $ends] = $one->time->seconds($zone);

            return $begins < $until && $from < $ends;
        }));
        $start = $time->start();

        return new InvitationView(
            $told,
            $event?->id->text,
            self::said($account, $event, $told),
            null === $event || $event->sequence() > $told->sequence
                ? []
                : [...$this->followed($account, $message), ...array_map(
                    static fn (string $clause): string => ucfirst($clause).'.',
                    $told->fields->otherwise($event->fields()),
                )],
            array_map(static fn (Occurrence $one): EventView => EventView::of($one, $account->person(), $zone), $clashes),
            null === $start || [] === $clashes ? [] : $this->free($account, new Moment($start->instant, $zone), $time->minutes, $others),
            null !== $event && $event->sequence() > $told->sequence,
        );
    }

    /** @return list<string> what followed from the letter as it came */
    private function followed(Account $account, Message $message): array
    {
        $entry = $this->entries->find($account->id, Follow::entryOf($message));

        return null === $entry ? [] : [$entry->consequence.'.'];
    }

    private static function said(Account $account, ?Event $event, ToldEvent $told): Answer
    {
        foreach ($event?->fields()->participants ?? $told->fields->participants as $one) {
            if ($account->person()->is($one->who)) {
                return $one->answer;
            }
        }

        return Answer::None;
    }

    /**
     * @param list<Occurrence> $taken
     *
     * @return list<array{date: string, time: string}>
     */
    private function free(Account $account, Moment $meant, int $minutes, array $taken): array
    {
        $free = new FreeTimes($account->profile->agendaSettings(), $account->profile->timeSettings()->week);

        return array_map(
            static fn (Moment $one): array => [
                'date' => (string) LocalDate::of($one->instant, $meant->zone),
                'time' => (string) TimeOfDay::of($one->instant, $meant->zone),
            ],
            $free->near(
                $meant,
                $minutes,
                array_map(static fn (Occurrence $one): array => $one->time->seconds($meant->zone), $taken),
                new Moment($this->clock->now(), $meant->zone),
            ),
        );
    }
}
