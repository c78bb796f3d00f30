<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Passing;

/**
 * Something has come between two looks at the clock.
 */
final readonly class Come
{
    /**
     * @param string             $key   whose schedule it was
     * @param \DateTimeImmutable $at    when, in UTC; of several times the last
     * @param int                $times how often meanwhile, 1 or more
     */
    public function __construct(public string $key, public \DateTimeImmutable $at, public int $times)
    {
    }
}
