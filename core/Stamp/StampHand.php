<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Core\Time\Field\Speaker;

/**
 * Who stamps, and what they have at hand.
 */
final readonly class StampHand
{
    /**
     * @param Speaker               $speaker how they speak of time, and the time
     * @param bool                  $canSend whether their mail has a way out
     * @param array<string, string> $titles  what a task of a conversation would be called, by its id; its subject where there is none
     */
    public function __construct(
        public Person $person,
        public Speaker $speaker,
        public PostSettings $post,
        public bool $canSend,
        public array $titles = [],
    ) {
    }
}
