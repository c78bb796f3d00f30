<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

/**
 * One way to read the words from some place on.
 *
 * @template-covariant T
 */
final readonly class Parsed
{
    /**
     * @param T    $value
     * @param int  $next     index of the lexeme behind the last one that was read
     * @param bool $isSecond a reading that is common too, but not the one to take
     */
    public function __construct(public mixed $value, public int $next, public bool $isSecond = false, public Need $need = Need::Nothing)
    {
    }

    /**
     * The same words, and those behind them, read as something else.
     *
     * @template U
     *
     * @param U $value
     *
     * @return self<U>
     */
    public function as(mixed $value, int $next): self
    {
        return new self($value, $next, $this->isSecond, $this->need);
    }

    /** @return self<T> */
    public function needs(Need $need): self
    {
        return new self($this->value, $this->next, $this->isSecond, $this->need->and($need));
    }

    /** @return self<T> */
    public function second(bool $isSecond = true): self
    {
        return new self($this->value, $this->next, $this->isSecond || $isSecond, $this->need);
    }
}
