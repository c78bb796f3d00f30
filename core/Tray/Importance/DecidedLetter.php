<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Advice\Findings;

/**
 * The message of a conversation that counts most, as it was when something was decided about it.
 */
final readonly class DecidedLetter
{
    /**
     * @param \DateTimeImmutable $arrivedAt when the newest of those came that were undecided
     * @param bool               $known     whether the person had written to the sender before
     * @param AdvisedDecision    $advised   see Adviser::byRules()
     */
    public function __construct(
        public Findings $findings,
        public \DateTimeImmutable $arrivedAt,
        public bool $known,
        public AdvisedDecision $advised,
    ) {
    }
}
