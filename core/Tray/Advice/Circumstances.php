<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Back;
use ZippyTray\Core\Tray\Importance\Leaning;

/**
 * What advice takes into account besides the mail itself.
 */
final readonly class Circumstances
{
    /**
     * @param LocalDate    $today   the person's own day
     * @param int          $written how often the person has written to the sender before
     * @param int          $snoozes how often the conversation has been put off
     * @param int          $touches how often it has been looked at without a decision
     * @param Back|null    $back    it was away and has come back
     * @param Leaning|null $leaning what they are likely to do with it, by all that they did with other mail
     */
    public function __construct(
        public LocalDate $today,
        public Habit $habit,
        public int $written = 0,
        public int $snoozes = 0,
        public int $touches = 0,
        public ?Back $back = null,
        public ?Leaning $leaning = null,
    ) {
    }
}
