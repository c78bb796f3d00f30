<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Tray\Importance\Lesson;
use ZippyTray\Core\Tray\Importance\Lessons;
use ZippyTray\Core\Tray\Importance\Weight;

final class MemoryLessons implements Lessons
{
    private int $learnedTo = 0;

    private int $count = 0;

    /** @var array<string, Weight> */
    private array $weights = [];

    /** @var array<int, non-empty-list<Lesson>> */
    private array $lessons = [];

    /** @var array<int, array{array<string, Weight|null>, int}> by entry: what was there before, how many lessons it has */
    private array $before = [];

    /** How often all was learned from the beginning. */
    public int $replaced = 0;

    private int $keptFrom = 0;

    /** @param int $kept of so many entries it is known what was there before */
    public function __construct(private readonly Memory $memory, private readonly int $kept = 5)
    {
    }

    public function learnedTo(AccountId $accountId): int
    {
        return $this->learnedTo;
    }

    public function setLearnedTo(AccountId $accountId, int $number): void
    {
        $this->learnedTo = $number;
    }

    public function count(AccountId $accountId): int
    {
        return $this->count;
    }

    public function weights(AccountId $accountId, array $traits): array
    {
        return array_intersect_key($this->weights, array_flip($traits));
    }

    public function put(AccountId $accountId, int $number, array $before, array $after, int $count): void
    {
        $this->weights = [...$this->weights, ...$after];
        $this->before[$number] = [$before, $count];
        $this->count += $count;
        while (\count($this->before) > $this->kept) {
            $first = (int) array_key_first($this->before);
            unset($this->before[$first]);
            $this->keptFrom = $first + 1;
        }
    }

    public function keptFrom(AccountId $accountId): int
    {
        return $this->keptFrom;
    }

    public function takeBack(AccountId $accountId, int $number): void
    {
        foreach (array_reverse($this->before, true) as $one => [$before, $count]) {
            if ($one < $number) {
                break;
            }
            foreach ($before as $trait => $weight) {
                if (null === $weight) {
                    unset($this->weights[$trait]);
                } else {
                    $this->weights[$trait] = $weight;
                }
            }
            $this->count -= $count;
            unset($this->before[$one]);
        }
    }

    public function replace(AccountId $accountId, array $weights, int $count, array $before): void
    {
        [$this->weights, $this->count] = [$weights, $count];
        $this->before = \array_slice($before, -$this->kept, preserve_keys: true);
        $this->keptFrom = \count($before) > \count($this->before) ? (int) array_key_first($this->before) : 0;
        ++$this->replaced;
    }

    public function add(AccountId $accountId, int $number, array $lessons): void
    {
        if ([] !== $lessons) {
            $this->lessons[$number] = $lessons;
        }
    }

    public function between(AccountId $accountId, int $from, int $to): iterable
    {
        ksort($this->lessons);
        $inEffect = [];
        foreach ($this->memory->entries as $entry) {
            $inEffect[$entry->number] = null === $entry->undoneBy();
        }
        foreach ($this->lessons as $number => $lessons) {
            if ($number >= $from && $number <= $to && $inEffect[$number]) {
                yield $number => $lessons;
            }
        }
    }

    /** @return array<string, Weight> by trait, in the order of their names */
    public function all(): array
    {
        ksort($this->weights);

        return $this->weights;
    }

    /** @return array<int, non-empty-list<Lesson>> by the number of their entry */
    public function lessons(): array
    {
        return $this->lessons;
    }
}
