<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

/**
 * Something that is asked of each folder again and again, and what answering it costs at the very least.
 */
final readonly class Part
{
    /**
     * @param string                   $group  by which it can be chosen
     * @param \Closure(Folder): Asked  $ask    asks once
     * @param \Closure(Folder): string $bare   the address of the bare equivalent with its query; empty: the empty script
     * @param int                      $rounds how often
     * @param bool                     $isMany whether it is asked only of the folder with many of everything, beside the smallest
     */
    public function __construct(
        public string $group,
        public string $name,
        public \Closure $ask,
        public ?\Closure $bare = null,
        public int $rounds = 30,
        public bool $isMany = false,
    ) {
    }
}
