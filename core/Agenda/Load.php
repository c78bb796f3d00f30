<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Time\LocalDate;

/**
 * Work that has been promised: so many minutes, which may be done in pieces.
 */
final readonly class Load
{
    /**
     * @param string         $id      of what it is
     * @param int            $minutes that are left of it, 0 or more
     * @param LocalDate|null $from    the first day on which it can be done; null: at once
     * @param LocalDate|null $until   the last day on which it can be done; null: any day
     * @param LocalDate|null $on      the day that it is meant for; null: any from the first to the last
     */
    public function __construct(
        public string $id,
        public int $minutes,
        public ?LocalDate $from = null,
        public ?LocalDate $until = null,
        public ?LocalDate $on = null,
    ) {
    }

    public function lasting(int $minutes): self
    {
        return new self($this->id, $minutes, $this->from, $this->until, $this->on);
    }

    public function until(?LocalDate $until): self
    {
        return new self($this->id, $this->minutes, $this->from, $until, $this->on);
    }

    public function on(?LocalDate $on): self
    {
        return new self($this->id, $this->minutes, $this->from, $this->until, $on);
    }
}
