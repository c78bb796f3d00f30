<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use ZippyTray\Core\Journal\Transaction;

/**
 * Stops before a transaction, or at its end before it is kept. The first of a delivery begins, the second finishes.
 */
final class StoppingTransaction implements Transaction
{
    private int $number = 0;

    public function __construct(private readonly Transaction $inner, private readonly string $stop)
    {
    }

    public function run(callable $work): mixed
    {
        $step = 1 === ++$this->number ? 'begin' : 'finish';
        if ($this->stop === $step) {
            throw new Stopped();
        }

        return $this->inner->run(function () use ($work, $step): mixed {
            $result = $work();

            return $this->stop === $step.' kept' ? throw new Stopped() : $result;
        });
    }
}
