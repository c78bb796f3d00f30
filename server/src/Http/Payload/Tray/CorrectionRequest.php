<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Tray;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Importance\CorrectionAbout;

/**
 * That mail like this matters more or less, or should be advised otherwise.
 */
final readonly class CorrectionRequest
{
    /** @param int|null $matters 1 when it matters more, -1 less */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public CorrectionAbout $about,
        #[Assert\Choice([-1, 1])]
        public ?int $matters = null,
        public ?AdvisedDecision $should = null,
    ) {
    }
}
