<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Coming;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\ReminderKind;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Read\Post\OutgoingRow;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Tray\ConversationRow;

/**
 * Something that comes, where the person is. Of a reminder $text says which, and $how it is meant.
 */
final readonly class ComingItem
{
    /**
     * @param 'mail'|'owed'|'start'|'reminder'|'out' $kind
     */
    public function __construct(
        public string $kind,
        public LocalDate $date,
        public ?TimeOfDay $time,
        public string $text,
        public ?TaskRow $task,
        public ?ConversationRow $conversation,
        public ?ReminderKind $how = null,
        public ?OutgoingRow $outgoing = null,
    ) {
    }
}
