<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\View;

use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * A task as it stands in a list. Its due is given in the person's own zone.
 */
final readonly class TaskRow
{
    /**
     * @param array{date: string, time: ?string}|null $due
     * @param array{id: string, who: string}|null     $source the first one
     */
    private function __construct(
        public string $id,
        public string $title,
        public string $notes,
        public string $list,
        public ?array $due,
        public bool $over,
        public ?string $completedAt,
        public ?array $source,
    ) {
    }

    public static function of(Row $row, \DateTimeImmutable $now, \DateTimeZone $zone): self
    {
        $date = $row->stringOrNull('due_date');
        $due = null === $date ? null : Due::fromState(['date' => $date, 'time' => $row->stringOrNull('due_time'), 'zone' => $row->stringOrNull('due_zone')]);
        $completedAt = $row->stringOrNull('completed_at');
        $source = $row->stringOrNull('source_id');

        return new self(
            $row->string('id'),
            $row->string('title'),
            $row->string('notes'),
            $row->string('list'),
            null === $due ? null : self::local($due, $zone),
            null === $completedAt && true === $due?->isOver($now, $zone),
            $completedAt,
            null === $source ? null : ['id' => $source, 'who' => $row->string('source_name') ?: $row->string('source_email')],
        );
    }

    /** @return array{date: string, time: ?string} */
    private static function local(Due $due, \DateTimeZone $zone): array
    {
        $instant = $due->instant();

        return null === $instant
            ? ['date' => (string) $due->date, 'time' => null]
            : ['date' => (string) LocalDate::of($instant, $zone), 'time' => (string) TimeOfDay::of($instant, $zone)];
    }
}
