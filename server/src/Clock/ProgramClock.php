<?php

declare(strict_types=1);

namespace ZippyTray\Server\Clock;

use Psr\Clock\ClockInterface;

/**
 * The program's time. In demo and test runs it can be moved forward, so that one can see what
 * happens later; otherwise it is the machine's.
 */
final class ProgramClock implements ClockInterface
{
    private readonly string $file;

    private ?\DateTimeImmutable $pretended = null;

    /**
     * @param string $folder  where the shift is kept
     * @param bool   $movable whether this is a demo or a test run
     */
    public function __construct(string $folder, public readonly bool $movable)
    {
        $this->file = $folder.'/demo-clock';
    }

    /** In UTC, without fractions of a second. */
    public function now(): \DateTimeImmutable
    {
        return $this->pretended ?? new \DateTimeImmutable('@'.(time() + $this->shift()));
    }

    /** @return int how far the present second has gone, 0 to 999 */
    public function milliseconds(): int
    {
        return (int) (microtime(true) * 1000) % 1000;
    }

    /**
     * Does something as if it were another moment; for filling a demo with what happened before.
     *
     * @param callable(): mixed $work
     */
    public function at(\DateTimeImmutable $moment, callable $work): void
    {
        $this->pretended = $moment->setTimezone(new \DateTimeZone('UTC'));
        try {
            $work();
        } finally {
            $this->pretended = null;
        }
    }

    /** @param int $seconds how far forward; nothing that fell due can be taken back, so it never goes backwards */
    public function moveForward(int $seconds): void
    {
        if (!$this->movable) {
            throw new \LogicException('This clock cannot be moved.');
        }
        file_put_contents($this->file, (string) ($this->shift() + max(0, $seconds)), \LOCK_EX);
    }

    /** Lets it go on from this moment, earlier or later than it is; for a test or a demo that begins at a set time. */
    public function turnTo(\DateTimeImmutable $moment): void
    {
        if (!$this->movable) {
            throw new \LogicException('This clock cannot be moved.');
        }
        file_put_contents($this->file, (string) ($moment->getTimestamp() - time()), \LOCK_EX);
    }

    /** Back to the machine's time, for a demo that begins anew. */
    public function reset(): void
    {
        if (is_file($this->file)) {
            unlink($this->file);
        }
    }

    /** @return int seconds ahead of the machine's clock; below zero when it is behind */
    public function shift(): int
    {
        return $this->movable && is_file($this->file) ? (int) file_get_contents($this->file) : 0;
    }
}
