<?php

declare(strict_types=1);

namespace ZippyTray\Server\Books;

/**
 * What a check has seen.
 */
final class Found
{
    /** So many are named; the rest is counted. */
    private const NAMED = 20;

    public int $wrong = 0;

    /** @var list<string> */
    public array $examples = [];

    /** @param int $seen how many things were looked at */
    public function __construct(public int $seen = 0)
    {
    }

    public function wrong(string $what): void
    {
        if (++$this->wrong <= self::NAMED) {
            $this->examples[] = $what;
        }
    }

    /** @param iterable<mixed> $ids */
    public function allWrong(string $what, iterable $ids): self
    {
        foreach ($ids as $id) {
            $this->wrong($what.(\is_scalar($id) ? ': '.$id : ''));
        }

        return $this;
    }
}
