<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Week;

/**
 * A week in figures.
 *
 * @phpstan-type FiguresState array{
 *     decided: int, touches: int, touched: int, clearing: int, putOffs: int, completed: int, estimated: int, took: int, worked: int
 * }
 */
final readonly class Figures
{
    /**
     * @param int $decided   conversations, as often as they were
     * @param int $touched   conversations that were decided
     * @param int $touches   how often those were looked at in all, until they were
     * @param int $clearing  seconds of going through the tray
     * @param int $putOffs   how often something was put off
     * @param int $completed tasks
     * @param int $estimated minutes that those of them were said to take of which it is known how long they took
     * @param int $took      seconds that those took
     * @param int $worked    seconds by the clock
     */
    public function __construct(
        public int $decided = 0,
        public int $touches = 0,
        public int $touched = 0,
        public int $clearing = 0,
        public int $putOffs = 0,
        public int $completed = 0,
        public int $estimated = 0,
        public int $took = 0,
        public int $worked = 0,
    ) {
    }

    /** @return float|null how often a conversation was looked at until it was decided */
    public function timesTouched(): ?float
    {
        return 0 === $this->touched ? null : round(max($this->touched, $this->touches) / $this->touched, 1);
    }

    /** @return float|null how many times as long as estimated things took */
    public function ratio(): ?float
    {
        return 0 === $this->estimated ? null : round($this->took / 60 / $this->estimated, 1);
    }

    /** @return FiguresState */
    public function state(): array
    {
        return [
            'decided' => $this->decided,
            'touches' => $this->touches,
            'touched' => $this->touched,
            'clearing' => $this->clearing,
            'putOffs' => $this->putOffs,
            'completed' => $this->completed,
            'estimated' => $this->estimated,
            'took' => $this->took,
            'worked' => $this->worked,
        ];
    }

    /** @param array<mixed> $state what state() gave; what an older version did not count is nothing */
    public static function fromState(array $state): self
    {
        $of = static fn (string $name): int => \is_int($state[$name] ?? null) ? max(0, $state[$name]) : 0;

        return new self(
            $of('decided'),
            $of('touches'),
            $of('touched'),
            $of('clearing'),
            $of('putOffs'),
            $of('completed'),
            $of('estimated'),
            $of('took'),
            $of('worked'),
        );
    }
}
