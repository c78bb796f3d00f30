<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\ReminderKind;

/**
 * A reminder has come. It stays up until the person answers it: there is never more than one of a reminder,
 * however often it came meanwhile.
 */
final class Ring implements Journaled
{
    private \DateTimeImmutable $at;

    private int $times;

    private \DateTimeImmutable $noticedAt;

    private ?\DateTimeImmutable $answeredAt = null;

    /**
     * @param string             $key       names the reminder; the same one has the same key
     * @param ObjectKind         $aboutKind a task or a conversation
     * @param ReminderKind       $how       it was meant
     * @param string             $reminder  in words
     * @param \DateTimeImmutable $at        when it came, in UTC; of several times the last
     * @param int                $times     how often it has come since it was answered
     * @param \DateTimeImmutable $noticedAt when the program looked at the clock
     */
    public function __construct(
        public readonly string $id,
        public readonly AccountId $accountId,
        public readonly string $key,
        public readonly ObjectKind $aboutKind,
        public readonly string $aboutId,
        public readonly ReminderKind $how,
        public readonly string $reminder,
        \DateTimeImmutable $at,
        int $times,
        \DateTimeImmutable $noticedAt,
    ) {
        $this->at = $at;
        $this->times = $times;
        $this->noticedAt = $noticedAt;
    }

    public function about(): ObjectRef
    {
        return new ObjectRef($this->aboutKind, $this->aboutId);
    }

    /** It has come again. */
    public function again(\DateTimeImmutable $at, int $times, \DateTimeImmutable $now): void
    {
        $this->times = $times + ($this->isUp() ? $this->times : 0);
        $this->at = $at;
        $this->noticedAt = $now;
        $this->answeredAt = null;
    }

    public function answer(\DateTimeImmutable $now): void
    {
        $this->answeredAt ??= (new Moment($now, $now->getTimezone()))->instant;
    }

    public function isUp(): bool
    {
        return null === $this->answeredAt;
    }

    public function at(): \DateTimeImmutable
    {
        return $this->at;
    }

    public function times(): int
    {
        return $this->times;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Ring, $this->id);
    }

    public function state(): array
    {
        return [
            'at' => $this->at->format(\DATE_ATOM),
            'times' => $this->times,
            'noticedAt' => $this->noticedAt->format(\DATE_ATOM),
            'answeredAt' => $this->answeredAt?->format(\DATE_ATOM),
        ];
    }

    public function restore(array $state): void
    {
        /** @var array{at: string, times: int, noticedAt: string, answeredAt: ?string} $state */
        $this->at = new \DateTimeImmutable($state['at']);
        $this->times = $state['times'];
        $this->noticedAt = new \DateTimeImmutable($state['noticedAt']);
        $this->answeredAt = null === $state['answeredAt'] ? null : new \DateTimeImmutable($state['answeredAt']);
    }

    public function needs(): array
    {
        return [];
    }
}
