<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Task\Rank;
use ZippyTray\Core\Task\Stage\AtStage;
use ZippyTray\Core\Task\Stage\Stage;
use ZippyTray\Core\Task\Stage\StageSpot;
use ZippyTray\Core\Task\TaskList;

/**
 * Where what is moved along the stages of a list comes to stand.
 */
final readonly class MoveAtStages
{
    public function __construct(private Cards $cards, private ClockInterface $clock)
    {
    }

    /**
     * @param list<AtStage> $moved
     * @param string|null   $behind the rank that they stand behind; empty: the beginning; null: the end
     */
    public function put(array $moved, TaskList $list, ?Stage $stage, ?string $behind, Step $step): void
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $ranks = [];
        if (null !== $stage) {
            $except = array_map(static fn (AtStage $one): ObjectRef => $one->ref(), $moved);
            $before = $behind ?? $this->cards->lastRank($list->accountId, $list->id, $stage->id);
            $after = null === $behind ? null : $this->cards->rankBehind($list->accountId, $list->id, $stage->id, $behind, $except);
            $ranks = Rank::several('' === $before ? null : $before, $after, \count($moved));
        }
        foreach ($moved as $number => $one) {
            $step->touch($one);
            $was = $one->stage();
            $one->standAt(null === $stage ? null : new StageSpot(
                $stage->id,
                $was?->stage === $stage->id ? $was->since : $now,
                $ranks[$number] ?? '',
            ));
        }
    }

    /** As it stands behind what was moved. */
    public static function said(TaskList $list, ?Stage $stage): string
    {
        return $list->name().': '.(null === $stage ? 'off the line' : 'to '.$stage->name);
    }
}
