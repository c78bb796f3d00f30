<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Importance\Importance;
use ZippyTray\Core\Tray\Importance\Reasons;
use ZippyTray\Core\Tray\Importance\Traits;

/**
 * What is advised for a conversation, and how much it matters.
 */
final readonly class Weighed
{
    /** @param Findings $main in the message that counts most */
    public function __construct(
        public Advice $advice,
        public Findings $main,
        public Traits $traits,
        private Habit $habit,
        private Importance $importance,
    ) {
    }

    /** @return int from 0, it does not matter, to 100 */
    public function score(): int
    {
        return (int) round(100 * $this->importance->of($this->traits));
    }

    /** @return list<string> why it matters as much, in sentences */
    public function reasons(): array
    {
        return Reasons::of($this->importance, $this->traits, $this->habit);
    }
}
