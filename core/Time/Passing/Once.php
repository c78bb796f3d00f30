<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Passing;

final readonly class Once implements Schedule
{
    /** @param \DateTimeImmutable $at in UTC */
    public function __construct(private \DateTimeImmutable $at)
    {
    }

    public function after(\DateTimeImmutable $instant): ?\DateTimeImmutable
    {
        return $this->at > $instant ? $this->at : null;
    }
}
