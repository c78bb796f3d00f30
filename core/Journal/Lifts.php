<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\AccountId;

/**
 * The versions in which the journal has kept the states of objects, and how older ones are read.
 */
final readonly class Lifts
{
    /** @var array<string, array<int, Lift>> by kind and the version that they lift */
    private array $lifts;

    /**
     * @param iterable<Lift> $lifts in any order
     *
     * @throws \LogicException when a version is left out, or lifted twice
     */
    public function __construct(iterable $lifts = [])
    {
        $sorted = [];
        foreach ($lifts as $lift) {
            $sorted[$lift->kind()->value][] = $lift;
        }
        $this->lifts = array_map(static function (array $ofKind): array {
            $by = array_column(array_map(static fn (Lift $lift): array => [$lift->from(), $lift], $ofKind), 1, 0);
            ksort($by);
            array_keys($by) === range(1, \count($ofKind)) || throw new \LogicException('Each version is lifted to the next by one.');

            return $by;
        }, $sorted);
    }

    /** The version of which states of this kind are now. */
    public function version(ObjectKind $kind): int
    {
        return 1 + \count($this->lifts[$kind->value] ?? []);
    }

    /** The change as it would be written down now. */
    public function lifted(Change $change, AccountId $accountId): Change
    {
        [$before, $after] = [$change->before, $change->after];
        $now = $this->version($change->object->kind);
        foreach ($this->lifts[$change->object->kind->value] ?? [] as $from => $lift) {
            if ($from < $change->version) {
                continue;
            }
            $before = null === $before ? null : $lift->lift($before, $accountId);
            $after = null === $after ? null : $lift->lift($after, $accountId);
        }

        return new Change($change->object, $before, $after, $now);
    }
}
