<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\Transaction;

final readonly class MemoryTransaction implements Transaction
{
    public function __construct(private Memory $memory)
    {
    }

    public function run(callable $work): mixed
    {
        $lists = get_object_vars($this->memory);
        /** @var list<array{Journaled, array<string, mixed>}> $states */
        $states = [];
        foreach ([...$this->memory->conversations, ...$this->memory->tasks, ...$this->memory->lists, ...$this->memory->rings] as $object) {
            $states[] = [$object, $object->state()];
        }
        try {
            return $work();
        } catch (\Throwable $problem) {
            foreach ($lists as $name => $list) {
                $this->memory->{$name} = $list;
            }
            foreach ($states as [$object, $state]) {
                $object->restore($state);
            }
            throw $problem;
        }
    }
}
