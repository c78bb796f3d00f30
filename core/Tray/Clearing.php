<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ClearingId;

/**
 * Going through the tray one conversation at a time. It has a beginning and an end; what was decided
 * in it is told by the entries of the journal that name it.
 */
final class Clearing
{
    private ?\DateTimeImmutable $endedAt = null;

    /** @param int $size how many conversations were in the tray at the beginning */
    public function __construct(
        public readonly ClearingId $id,
        public readonly AccountId $accountId,
        public readonly ClearingOrder $order,
        public readonly int $size,
        public readonly \DateTimeImmutable $startedAt,
    ) {
    }

    /** Ending what has ended keeps the first moment. */
    public function end(\DateTimeImmutable $now): void
    {
        $this->endedAt ??= $now;
    }

    public function endedAt(): ?\DateTimeImmutable
    {
        return $this->endedAt;
    }
}
