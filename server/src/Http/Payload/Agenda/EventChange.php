<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class EventChange
{
    /**
     * @param string|null $key  which one of a series; null: all of it
     * @param bool        $tell whether those who take part are told by mail
     * @param bool        $all  whether all of the series go along with that one
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Valid]
        public FieldsOfEvent $fields,
        public ?string $key = null,
        public bool $tell = false,
        public bool $all = false,
    ) {
    }
}
