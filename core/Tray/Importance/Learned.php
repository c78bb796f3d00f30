<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

/**
 * All that is learned of some traits, and what lessons make of it.
 */
final class Learned
{
    public readonly Importance $importance;

    public readonly Leanings $leanings;

    /**
     * @param array<string, Weight> $weights     by trait
     * @param int                   $lessons     that it is learned from, with those of other traits
     * @param list<Correction>      $corrections what they said themselves
     */
    public function __construct(array $weights = [], int $lessons = 0, array $corrections = [])
    {
        $matters = $should = [];
        foreach ($corrections as $correction) {
            $matters[$correction->trait] = $correction->matters();
            $should[$correction->trait] = $correction->should();
        }
        $this->importance = new Importance(array_map(static fn (Weight $one): array => [$one->matters, $one->seen], $weights), $matters);
        $this->leanings = new Leanings(
            array_map(static fn (Weight $one): array => [$one->leans, $one->seen], $weights),
            $lessons,
            array_filter($should),
        );
    }

    /** @return array<string, Weight> by trait; those that have changed */
    public function learn(Lesson $lesson): array
    {
        $matters = $this->importance->learn($lesson->traits, $lesson->shown);
        $leans = $this->leanings->learn($lesson->traits, $lesson->done);
        $changed = [];
        foreach ($matters as $trait => [$weight, $seen]) {
            $changed[$trait] = new Weight($weight, $leans[$trait][0], $seen);
        }

        return $changed;
    }
}
