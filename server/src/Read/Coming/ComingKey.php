<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Coming;

use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\ReminderKind;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Read\Post\OutgoingRow;

/**
 * Where something that comes stands among the others, and what it is, before all that is shown of it is read.
 */
final readonly class ComingKey
{
    /** So many characters of a title count for the order. */
    private const TITLE = 40;

    /**
     * @param 'mail'|'owed'|'start'|'reminder'|'out' $kind
     * @param LocalDate|null                         $date null: the next clearing
     * @param string                                 $id   of a task, a conversation or an outgoing message
     * @param string                                 $text see ComingItem
     */
    public function __construct(
        public string $kind,
        public ?LocalDate $date,
        public ?TimeOfDay $time,
        public string $title,
        public ObjectKind $about,
        public string $id,
        public string $text = '',
        public ?ReminderKind $how = null,
        public ?OutgoingRow $outgoing = null,
    ) {
    }

    /**
     * What waits for the next clearing comes first, then what sorts by time; on a day first what comes at no time in
     * particular. Different for each.
     */
    public function order(): string
    {
        return implode(
            ' ',
            [
                (string) $this->date,
                (string) $this->time,
                mb_substr($this->title, 0, self::TITLE),
                $this->kind,
                $this->id,
                mb_substr($this->text, 0, self::TITLE),
            ],
        );
    }
}
