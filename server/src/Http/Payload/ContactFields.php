<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\People\ContactCard;
use ZippyTray\Core\Refused;

final readonly class ContactFields
{
    /** @param list<string> $phones */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public string $name = '',
        public string $email = '',
        #[Assert\All([new Assert\Type('string')])]
        public array $phones = [],
        public string $position = '',
        public string $firm = '',
        public string $address = '',
        public string $note = '',
    ) {
    }

    /** @throws Refused */
    public function card(): ContactCard
    {
        return new ContactCard($this->name, $this->email, $this->phones, $this->position, $this->firm, $this->address, $this->note);
    }
}
