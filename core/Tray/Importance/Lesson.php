<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * What one decision about one conversation has shown.
 */
final readonly class Lesson
{
    /**
     * @param int    $number of the journal's entry by which it was decided
     * @param string $key    of its mail (HabitKey)
     */
    public function __construct(
        public int $number,
        public ConversationId $conversationId,
        public string $key,
        public Traits $traits,
        public Shown $shown,
        public AdvisedDecision $done,
    ) {
    }
}
