<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use ZippyTray\Server\Read\DueView;
use ZippyTray\Server\Store\Files;

/**
 * A task with all that belongs to it. Instants are in UTC (RFC 3339).
 *
 * @phpstan-import-type DueShown from DueView
 * @phpstan-import-type TimeSpent from Clocks
 * @phpstan-import-type FileRow from Files
 * @phpstan-import-type TaskLink from TaskRows
 *
 * @phpstan-type RepeatShown array{text: string, zone: string|null, fromCompletion: bool, next: DueShown|null}
 */
final readonly class TaskSheet
{
    /**
     * @param RepeatShown|null                           $repeat    zone: whose time it names, when that is not the person's
     * @param list<array{text: string, at: string|null}> $reminders at: null when it has no moment yet
     * @param list<SourceView>                           $sources
     * @param list<FileRow>                              $files
     * @param list<TaskRow>                              $subtasks  all that lies under it
     * @param list<TaskLink>                             $usedBy    that name it as a source
     * @param TimeSpent                                  $time      by the clock
     */
    public function __construct(
        public TaskRow $row,
        public string $notes,
        public string $createdAt,
        public ?array $repeat,
        public array $reminders,
        public array $sources,
        public array $files,
        public array $subtasks,
        public array $usedBy,
        public array $time,
    ) {
    }
}
