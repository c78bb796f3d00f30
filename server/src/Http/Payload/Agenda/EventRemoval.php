<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class EventRemoval
{
    /**
     * @param string|null $key  which one of a series; null: all of it
     * @param bool        $tell whether those who were asked are told by mail
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public ?string $key = null,
        public bool $tell = false,
    ) {
    }
}
