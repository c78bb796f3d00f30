<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Day;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\LocalDate;

/**
 * What somebody makes of a day: its keystone, the one task that makes it a good one, and whether they laid it out in the morning and
 * looked at it in the evening. Only the keystone is a decision.
 */
final class DayPlan implements Journaled
{
    private ?TaskId $keystone = null;

    private ?\DateTimeImmutable $laidOutAt = null;

    private ?\DateTimeImmutable $closedAt = null;

    /** @var string "2026-11-27" */
    private string $day;

    public function __construct(public readonly DayPlanId $id, public readonly AccountId $accountId, LocalDate $day)
    {
        $this->day = (string) $day;
    }

    public function day(): LocalDate
    {
        return LocalDate::parse($this->day);
    }

    public function keystone(): ?TaskId
    {
        return $this->keystone;
    }

    public function choose(?TaskId $keystone): void
    {
        $this->keystone = $keystone;
    }

    public function layOut(\DateTimeImmutable $now): void
    {
        $this->laidOutAt = $now;
    }

    public function laidOutAt(): ?\DateTimeImmutable
    {
        return $this->laidOutAt;
    }

    public function close(\DateTimeImmutable $now): void
    {
        $this->closedAt = $now;
    }

    public function closedAt(): ?\DateTimeImmutable
    {
        return $this->closedAt;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::DayPlan, $this->id->text);
    }

    public function state(): array
    {
        return ['day' => $this->day, 'keystone' => $this->keystone?->text];
    }

    public function restore(array $state): void
    {
        /** @var array{day: string, keystone: ?string} $state */
        $this->keystone = null === $state['keystone'] ? null : new TaskId($state['keystone']);
    }

    public function needs(): array
    {
        return [];
    }
}
