<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * Something that was done at once, by the clock of two minutes.
 */
final readonly class DoneAtOnce
{
    /**
     * @param int $minutes that were given to it
     * @param int $seconds that it took
     */
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        #[Assert\Uuid]
        public string $conversation,
        #[Assert\Length(max: 1000)]
        public string $title,
        #[Assert\Range(min: 1, max: 1440)]
        public int $minutes,
        #[Assert\Range(min: 0, max: 86400)]
        public int $seconds,
    ) {
    }
}
