<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Clock;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskId;

/**
 * A stretch of work by the clock: on a task, or on a conversation that was dealt with at once. While it has no end its clock runs.
 * Starting and ending it are no decisions and stand in no journal; what is set right afterwards does.
 */
final class Stretch implements Journaled
{
    /** Seconds; what was shorter was no work. */
    public const SHORTEST = 5;

    /** Minutes. */
    public const LONGEST = 1440;

    private ?\DateTimeImmutable $ends = null;

    /**
     * @param string   $title     of what it was about, then
     * @param int|null $estimated minutes that something without a task of its own was said to take
     */
    private function __construct(
        public readonly StretchId $id,
        public readonly AccountId $accountId,
        private ?TaskId $taskId,
        private ?ConversationId $conversationId,
        private string $title,
        private ?int $estimated,
        private \DateTimeImmutable $begins,
    ) {
    }

    public static function onTask(StretchId $id, AccountId $accountId, TaskId $taskId, string $title, \DateTimeImmutable $begins): self
    {
        return new self($id, $accountId, $taskId, null, $title, null, $begins);
    }

    /** @param int $estimated minutes */
    public static function atOnce(
        StretchId $id,
        AccountId $accountId,
        ConversationId $conversationId,
        string $title,
        int $estimated,
        \DateTimeImmutable $begins,
        \DateTimeImmutable $ends,
    ): self {
        $stretch = new self($id, $accountId, null, $conversationId, $title, $estimated, $begins);
        $stretch->end($ends);

        return $stretch;
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(StretchId $id, AccountId $accountId, array $state): self
    {
        $stretch = new self($id, $accountId, null, null, '', null, new \DateTimeImmutable('@0'));
        $stretch->restore($state);

        return $stretch;
    }

    /** A clock that nobody stopped has not run for longer than a day. Ending what has ended changes nothing. */
    public function end(\DateTimeImmutable $at): void
    {
        $this->ends ??= max($this->begins, min($at, $this->begins->modify('+'.self::LONGEST.' minutes')));
    }

    /**
     * @param int $minutes that it was in truth
     *
     * @throws Refused when its clock runs, or it cannot have been so long
     */
    public function last(int $minutes): void
    {
        if (null === $this->ends) {
            throw new Refused('Its clock runs. Pause it first.');
        }
        if ($minutes < 1 || $minutes > self::LONGEST) {
            throw new Refused('It lasted from a minute to a day.', 'took');
        }
        $this->ends = $this->begins->modify("+{$minutes} minutes");
    }

    /** It belongs to what is left behind of a task that repeats. */
    public function passTo(TaskId $taskId): void
    {
        $this->taskId = $taskId;
    }

    public function runs(): bool
    {
        return null === $this->ends;
    }

    /** @return int that it has lasted, until $now when its clock runs */
    public function seconds(\DateTimeImmutable $now): int
    {
        return max(0, min(($this->ends ?? $now)->getTimestamp() - $this->begins->getTimestamp(), 60 * self::LONGEST));
    }

    public function taskId(): ?TaskId
    {
        return $this->taskId;
    }

    public function title(): string
    {
        return $this->title;
    }

    public function begins(): \DateTimeImmutable
    {
        return $this->begins;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Stretch, $this->id->text);
    }

    public function state(): array
    {
        return [
            'task' => $this->taskId?->text,
            'conversation' => $this->conversationId?->text,
            'title' => $this->title,
            'estimated' => $this->estimated,
            'begins' => $this->begins->format(\DATE_ATOM),
            'ends' => $this->ends?->format(\DATE_ATOM),
        ];
    }

    public function restore(array $state): void
    {
        /**
         * @var array{
         *     task: ?string, conversation: ?string, title: string, estimated: ?int, begins: string, ends: ?string
         * } $state
         */
        $this->taskId = null === $state['task'] ? null : new TaskId($state['task']);
        $this->conversationId = null === $state['conversation'] ? null : new ConversationId($state['conversation']);
        $this->title = $state['title'];
        $this->estimated = $state['estimated'];
        $this->begins = new \DateTimeImmutable($state['begins']);
        $this->ends = null === $state['ends'] ? null : new \DateTimeImmutable($state['ends']);
    }

    public function needs(): array
    {
        return [];
    }
}
