<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Post\Recipients;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Unreadable;
use ZippyTray\Server\Http\Payload\Post\WrittenLetter;
use ZippyTray\Server\Http\Payload\Tray\ConversationReminders;

final readonly class FieldsOfEvent
{
    /**
     * @param string|null  $repeat    a phrase; empty: none; null: as it is
     * @param string       $people    addresses as they are written in a letter
     * @param list<string> $reminders leads
     * @param bool|null    $busy      null: when it does not take whole days
     */
    public function __construct(
        public string $title,
        #[Assert\Valid]
        public EventWhenField $when,
        public string $place = '',
        public string $notes = '',
        public ?string $repeat = '',
        #[Assert\Length(max: 60_000)]
        public string $people = '',
        #[Assert\All([new Assert\Type('string')]), Assert\Count(max: EventFields::MOST_REMINDERS)]
        public array $reminders = [],
        public ?bool $busy = null,
    ) {
    }

    /** @throws Refused naming the field that cannot be taken as it is */
    public function read(Speaker $speaker, ?EventFields $before = null): EventFields
    {
        [$time, $said] = $this->when->read($speaker, $before?->time);

        return new EventFields(
            $this->title,
            $time,
            $this->place,
            $this->notes,
            '' !== $said ? $said : $this->repeat($speaker, $time, $before),
            $this->participants($before->participants ?? []),
            array_map(static fn (string $phrase): Reminder => ConversationReminders::reminder($phrase, $speaker), $this->reminders),
            $this->busy,
        );
    }

    /**
     * @param list<Participant> $before what they have said so far stays
     *
     * @return list<Participant>
     *
     * @throws Refused when one is no address
     */
    private function participants(array $before): array
    {
        $known = [];
        foreach ($before as $one) {
            $known[strtolower($one->who->email)] = $one;
        }

        return array_map(
            static fn (Address $who): Participant => $known[strtolower($who->email)] ?? new Participant($who),
            Recipients::checked(WrittenLetter::addresses($this->people), 'people'),
        );
    }

    private function repeat(Speaker $speaker, EventTime $time, ?EventFields $before): string
    {
        if (null === $this->repeat) {
            return $before->repeat ?? '';
        }
        if ('' === trim($this->repeat)) {
            return '';
        }
        try {
            return $speaker->read($this->repeat, $time->begins->date)->rrule()
                ?? throw new Refused('A repeat begins with "every", "daily", "weekly" or the like.', 'repeat');
        } catch (Unreadable $problem) {
            throw new Refused($problem->getMessage(), 'repeat');
        }
    }
}
