<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Coming;

use ZippyTray\Server\Read\Agenda\EventView;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Tray\ConversationRow;
use ZippyTray\Server\Store\Row;

/**
 * A reminder that has come. Instants are in UTC (RFC 3339).
 */
final readonly class RingRow
{
    /** Seconds after which a reminder came while nobody looked. */
    private const LATE = 120;

    private function __construct(
        public string $id,
        public string $at,
        public bool $late,
        public int $times,
        public string $how,
        public string $reminder,
        public ?TaskRow $task,
        public ?ConversationRow $conversation,
        public ?EventView $event,
    ) {
    }

    public static function of(Row $row, ?TaskRow $task, ?ConversationRow $conversation, ?EventView $event): self
    {
        $late = strtotime($row->string('noticed_at')) - strtotime($row->string('at')) > self::LATE;

        return new self(
            $row->string('id'),
            $row->string('at'),
            $late || $row->int('times') > 1,
            $row->int('times'),
            $row->string('how'),
            $row->string('reminder'),
            $task,
            $conversation,
            $event,
        );
    }
}
