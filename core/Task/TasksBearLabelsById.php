<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Lift;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Label\LabelId;

/**
 * Since version 2 a task names its labels by their ids, not by what they are called.
 */
final readonly class TasksBearLabelsById implements Lift
{
    public function kind(): ObjectKind
    {
        return ObjectKind::Task;
    }

    public function from(): int
    {
        return 1;
    }

    public function lift(array $state, AccountId $accountId): array
    {
        /** @var list<string> $names */
        $names = $state['labels'] ?? [];

        return array_replace($state, ['labels' => array_map(
            static fn (string $name): string => LabelId::of($accountId, $name)->text,
            $names,
        )]);
    }
}
