<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use ZippyTray\Core\Label\ShownLabels;
use ZippyTray\Core\Task\DateGroup;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Server\Read\DueView;
use ZippyTray\Server\Read\Label\LabelView;
use ZippyTray\Server\Read\Tray\ListWord;
use ZippyTray\Server\Store\Row;

/**
 * A task as it stands in a list. Its times are given in the person's own zone.
 *
 * @phpstan-import-type RepeatState from Repeat
 */
final readonly class TaskRow
{
    /**
     * @param array{id: string, title: string}|null   $parent
     * @param array{date: string, time: ?string}|null $start
     * @param bool                                    $waiting  its start, or that of what it is a part of, is ahead
     * @param array{date: string, time: ?string}|null $due
     * @param int|null                                $estimate minutes
     * @param list<LabelView>                         $labels
     * @param array{open: int, done: int}             $subtasks
     * @param array{id: string, who: string}|null     $source   the first message
     */
    private function __construct(
        public string $id,
        public int $revision,
        public string $title,
        public ListWord $list,
        public ?array $parent,
        public string $rank,
        public ?array $start,
        public bool $waiting,
        public ?array $due,
        public bool $over,
        public DateGroup $group,
        public ?int $estimate,
        public Priority $priority,
        public array $labels,
        public ?string $repeat,
        public int $reminders,
        public int $files,
        public bool $noted,
        public array $subtasks,
        public ?string $completedAt,
        public ?array $source,
    ) {
    }

    /** @param array{open: int, done: int} $subtasks */
    public static function of(Row $row, Speaker $speaker, ShownLabels $labels, bool $waiting, array $subtasks): self
    {
        $due = $row->dueOrNull('due');
        $start = $row->dueOrNull('start');
        $completedAt = $row->stringOrNull('completed_at');
        $parent = $row->stringOrNull('parent_id');
        $source = $row->stringOrNull('source_id');
        /** @var RepeatState|null $repeat */
        $repeat = null === $row->stringOrNull('repeats') ? null : $row->json('repeats');
        $group = DateGroup::of($due, $speaker->now, $speaker->settings->week);

        return new self(
            $row->string('id'),
            $row->int('revision'),
            $row->string('title'),
            ListWord::of($row),
            null === $parent ? null : ['id' => $parent, 'title' => $row->string('parent_title')],
            $row->string('rank'),
            null === $start ? null : DueView::in($speaker->now->zone, $start),
            $waiting && null === $completedAt,
            null === $due ? null : DueView::in($speaker->now->zone, $due),
            null === $completedAt && DateGroup::Over === $group,
            $group,
            null === $row->stringOrNull('estimate') ? null : $row->int('estimate'),
            Priority::from($row->string('priority')),
            array_map(
                LabelView::of(...),
                $labels->borne(array_values(array_filter($row->json('labels'), \is_string(...))), null !== $completedAt),
            ),
            null === $repeat ? null : Repeat::fromState($repeat)->text(),
            \count($row->json('reminders')),
            \count($row->json('files')),
            $row->bool('noted'),
            $subtasks,
            $completedAt,
            null === $source ? null : ['id' => $source, 'who' => $row->string('source_name') ?: $row->string('source_email')],
        );
    }

    /** What is only a part of another task and has no date of its own is counted with that one. */
    public function standsAlone(): bool
    {
        return null === $this->parent || null !== $this->due;
    }
}
