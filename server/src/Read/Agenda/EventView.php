<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use ZippyTray\Core\Agenda\Event\Answer;
use ZippyTray\Core\Agenda\Event\EventStatus;
use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * An event as it takes place once. Days and times are those of the person.
 *
 * @phpstan-type EventEdge array{date: string, time: string|null}
 */
final readonly class EventView
{
    /**
     * @param string                                  $key       which one of its series
     * @param EventEdge                               $begins    without a time: it takes whole days
     * @param EventEdge                               $ends      of whole days the last one
     * @param bool                                    $busy      whether it takes the hours that it lies on
     * @param bool                                    $told      whether it was told apart from its series
     * @param array{name: string, email: string}|null $organiser who asks to it; null: the person themselves
     * @param Answer|null                             $answer    what the person has said to it; null when they are not asked
     * @param int                                     $people    how many take part besides
     * @param string|null                             $source    the message that it was made from
     * @param bool                                    $asked     whether those who take part were told of it by mail
     * @param bool                                    $news      whether it has changed since those who take part were told of it
     * @param string|null                             $calendar  the name of the calendar of others that it is in, where it cannot be
     *                                                           changed; null: the person's own
     */
    public function __construct(
        public string $id,
        public string $key,
        public string $title,
        public string $place,
        public array $begins,
        public array $ends,
        public int $minutes,
        public bool $busy,
        public bool $repeats,
        public bool $told,
        public EventStatus $status,
        public ?array $organiser,
        public ?Answer $answer,
        public int $people,
        public ?string $source,
        public bool $asked,
        public bool $news,
        public ?string $calendar,
    ) {
    }

    public static function of(Occurrence $one, Person $person, \DateTimeZone $zone): self
    {
        $fields = $one->fields();
        $mine = array_values(array_filter(
            $fields->participants,
            static fn (Participant $who): bool => $person->is($who->who),
        ))[0] ?? null;
        $organiser = $one->event->organiser();

        return new self(
            $one->event->id->text,
            $one->key,
            $fields->title,
            $fields->place,
            self::edge($one->time->firstDay($zone), $one->time->start()?->instant, $zone),
            self::edge($one->time->lastDay($zone), $one->time->end()?->instant, $zone),
            $one->time->minutes,
            $one->event->takesTimeOf($person),
            $one->event->isRepeating(),
            $one->isTold(),
            $one->event->status(),
            null === $organiser ? null : ['name' => $organiser->name, 'email' => $organiser->email],
            $mine?->answer,
            \count($fields->participants) - (null === $mine ? 0 : 1),
            $one->event->source()?->text,
            null !== $one->event->toldTo(),
            $one->event->isNews(),
            $one->event->calendar(),
        );
    }

    /** @return EventEdge */
    private static function edge(LocalDate $day, ?\DateTimeImmutable $at, \DateTimeZone $zone): array
    {
        return null === $at
            ? ['date' => (string) $day, 'time' => null]
            : ['date' => (string) LocalDate::of($at, $zone), 'time' => (string) TimeOfDay::of($at, $zone)];
    }
}
