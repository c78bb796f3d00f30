<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\TaskProposal;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Server\Read\DueView;

/**
 * What a task of a conversation would be.
 */
final readonly class ProposalView
{
    /**
     * @param array{date: string, time: ?string}|null $due
     * @param list<string>                            $reminders
     * @param list<Outline>                           $subtasks
     * @param array{date: string, time: ?string}|null $until
     * @param string                                  $list      that the conversation belongs to; empty: none
     */
    private function __construct(
        public string $title,
        public ?array $due,
        public string $words,
        public array $reminders,
        public array $subtasks,
        public ?array $until,
        public string $list,
    ) {
    }

    public static function of(TaskProposal $proposal, \DateTimeZone $zone, string $list): self
    {
        return new self(
            $proposal->title,
            null === $proposal->due ? null : DueView::in($zone, $proposal->due),
            $proposal->words,
            array_map(static fn (Reminder $reminder): string => $reminder->text(), $proposal->reminders),
            $proposal->subtasks,
            null === $proposal->until ? null : DueView::at($proposal->until),
            $list,
        );
    }
}
