<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

/**
 * When something that a server did not do is tried again.
 */
final readonly class Patience
{
    /** Seconds after each failure; from the last on, always as long. */
    private const PAUSES = [10, 60, 300, 900, 3600, 14400];

    /** After so many failures the person is told. */
    public const TOLD_AFTER = 3;

    /** @param int $failures so far, from 1 on */
    public static function until(int $failures, \DateTimeImmutable $now): \DateTimeImmutable
    {
        return $now->modify(\sprintf('+%d seconds', self::PAUSES[max(0, min($failures, \count(self::PAUSES)) - 1)]));
    }
}
