<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use ZippyTray\Core\Agenda\Event\Answer;
use ZippyTray\Core\Agenda\Event\ToldEvent;

/**
 * An invitation beside one's own agenda.
 */
final readonly class InvitationView implements \JsonSerializable
{
    /**
     * @param ToldEvent                               $told    as the letter says it
     * @param string|null                             $event   the event in the agenda, when it is there
     * @param Answer                                  $said    what the person has said so far
     * @param list<string>                            $changes what the letter says otherwise than the agenda, in sentences
     * @param list<EventView>                         $clashes what takes place at the same time
     * @param list<array{date: string, time: string}> $free    when there is time near it
     * @param bool                                    $isOld   the agenda knows something newer
     */
    public function __construct(
        public ToldEvent $told,
        public ?string $event,
        public Answer $said,
        public array $changes,
        public array $clashes,
        public array $free,
        public bool $isOld,
    ) {
    }

    /**
     * @return array{
     *     title: string, when: string, zone: string|null, place: string, event: string|null, said: Answer, changes: list<string>,
     *     clashes: list<EventView>, free: list<array{date: string, time: string}>, old: bool, minutes: int
     * }
     */
    public function jsonSerialize(): array
    {
        return [
            'title' => $this->told->fields->title,
            'when' => $this->told->fields->time->text(),
            'zone' => $this->told->fields->time->start()?->zone->getName(),
            'place' => $this->told->fields->place,
            'event' => $this->event,
            'said' => $this->said,
            'changes' => $this->changes,
            'clashes' => $this->clashes,
            'free' => $this->free,
            'old' => $this->isOld,
            'minutes' => $this->told->fields->time->minutes,
        ];
    }
}
