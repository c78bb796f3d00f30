<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;

final readonly class RingAnswer
{
    /** @param list<string> $rings */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 1000, minMessage: 'Which reminders?'), Assert\All([new Assert\Uuid()])]
        public array $rings,
        public ?WhenField $at = null,
    ) {
    }

    /** @return non-empty-list<string> */
    public function ids(): array
    {
        return [] === $this->rings ? throw new \LogicException('Validation lets no empty list through.') : $this->rings;
    }

    /** @throws Refused */
    public function moment(Speaker $speaker): Moment
    {
        return $this->at?->moment($speaker, 'at') ?? throw new Refused('When shall it remind again?', 'at');
    }
}
