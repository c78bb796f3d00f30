<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * All that $work does is stored, or nothing of it.
 */
interface Transaction
{
    /**
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     */
    public function run(callable $work): mixed;
}
