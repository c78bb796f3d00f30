<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Tray\Advice\Advice;
use ZippyTray\Core\Tray\Advice\DateKind;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\ListItem;

/**
 * What a task of a conversation would be, and when the conversation would come back instead.
 */
final readonly class TaskProposal
{
    /**
     * @param Due|null       $due       from a deadline in the text, or as the person wants it when there is none
     * @param string         $words     the deadline's own words; empty when there is none
     * @param list<Reminder> $reminders the first reminder, if one is wanted and can still come
     * @param list<Outline>  $subtasks  the list that was found
     * @param Moment|null    $until     when it would come back, or an answer would be owed
     */
    private function __construct(
        public string $title,
        public ?Due $due,
        public string $words,
        public array $reminders,
        public array $subtasks,
        public ?Moment $until,
    ) {
    }

    /** @param list<ListItem> $items found in the message that counts most */
    public static function of(Advice $advice, array $items, Speaker $speaker, TaskSettings $settings): self
    {
        $deadline = DateKind::Deadline === $advice->date?->kind ? $advice->date : null;
        $due = null === $deadline ? $settings->usualDue($speaker) : self::due($deadline, $speaker);
        $reminder = $settings->reminder($due, null === $deadline, $speaker, $advice->minutes);

        return new self(
            $advice->title,
            $due,
            null === $deadline ? '' : $deadline->text,
            null === $reminder ? [] : [$reminder],
            array_map(static fn (ListItem $item): Outline => new Outline(mb_strimwidth($item->text, 0, Task::TITLE_LENGTH, '…')), $items),
            self::until($advice, $speaker),
        );
    }

    private static function due(FoundDate $date, Speaker $speaker): Due
    {
        return null === $date->time ? Due::onDay($date->date) : Due::at($date->date, $date->time, $speaker->now->zone);
    }

    /** The morning of the day that the advice names, or of the deadline; null when that is past. */
    private static function until(Advice $advice, Speaker $speaker): ?Moment
    {
        $day = $advice->until ?? $advice->date?->date;
        $until = null === $day ? null : Moment::at($day, $speaker->settings->at(DayMark::Morning), $speaker->now->zone);

        return true === $until?->isAfter($speaker->now->instant) ? $until : null;
    }
}
