<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Passing;

/**
 * When something comes: once, or again and again.
 */
interface Schedule
{
    /** @return \DateTimeImmutable|null the first instant (UTC) strictly after $instant at which it comes; null when it never does again */
    public function after(\DateTimeImmutable $instant): ?\DateTimeImmutable;
}
