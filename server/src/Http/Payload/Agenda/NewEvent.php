<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class NewEvent
{
    /**
     * @param string|null $source the message that it is made from
     * @param bool        $tell   whether those who take part are told by mail
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Valid]
        public FieldsOfEvent $fields,
        #[Assert\Uuid]
        public ?string $source = null,
        public bool $tell = false,
    ) {
    }
}
