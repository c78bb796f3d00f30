<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Unreadable;

/**
 * How long a stretch of work was in truth.
 */
final readonly class TimeCorrection
{
    /** @param string|null $took as it is written ("45 min"); null: it was no work */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Length(max: 100)]
        public ?string $took = null,
    ) {
    }

    /** @throws Refused when it cannot be read */
    public function minutes(Speaker $speaker): ?int
    {
        try {
            return null === $this->took ? null : $speaker->readMinutes($this->took);
        } catch (Unreadable $problem) {
            throw new Refused($problem->getMessage(), 'took');
        }
    }
}
