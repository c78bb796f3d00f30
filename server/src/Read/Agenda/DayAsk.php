<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use ZippyTray\Core\Agenda\Day\Why;
use ZippyTray\Server\Read\Post\OwedRow;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Tray\ConversationRow;

/**
 * One thing that is asked about when a day is laid out or looked back at: a task, mail that came back, or what somebody owes.
 */
final readonly class DayAsk
{
    /**
     * @param list<SlotView> $slots   of its task, that lie on days until today and were not done
     * @param int            $minutes that it takes, as far as is known
     * @param string|null    $free    HH:MM, the next time today at which there is room for it
     */
    public function __construct(
        public Why $why,
        public ?TaskRow $task,
        public ?ConversationRow $conversation,
        public ?OwedRow $owed,
        public array $slots,
        public int $minutes,
        public ?string $free,
    ) {
    }
}
