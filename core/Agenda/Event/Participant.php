<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Mail\Address;

/**
 * Who is asked to an event (ATTENDEE, RFC 5545, 3.8.4.1).
 *
 * @phpstan-type ParticipantState array{name: string, email: string, answer: string, optional: bool}
 */
final readonly class Participant
{
    public function __construct(public Address $who, public Answer $answer = Answer::None, public bool $isOptional = false)
    {
    }

    public function answering(Answer $answer): self
    {
        return new self($this->who, $answer, $this->isOptional);
    }

    /** @return ParticipantState */
    public function state(): array
    {
        return [
            'name' => $this->who->name,
            'email' => $this->who->email,
            'answer' => $this->answer->value,
            'optional' => $this->isOptional,
        ];
    }

    /** @param ParticipantState $state */
    public static function fromState(array $state): self
    {
        return new self(new Address($state['email'], $state['name']), Answer::from($state['answer']), $state['optional']);
    }
}
