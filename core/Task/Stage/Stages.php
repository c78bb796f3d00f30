<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Stage;

use ZippyTray\Core\Refused;

/**
 * The stages of a list, in their order.
 *
 * @phpstan-import-type StageState from Stage
 */
final readonly class Stages
{
    /** Of one list. */
    public const MOST = 12;

    /**
     * @param list<Stage> $all
     *
     * @throws Refused when there are too many, or two of a name
     */
    public function __construct(public array $all = [])
    {
        if (\count($all) > self::MOST) {
            throw new Refused(\sprintf('A list can have %d stages.', self::MOST), 'stages');
        }
        $names = array_map(static fn (Stage $stage): string => mb_strtolower($stage->name), $all);
        $ids = array_map(static fn (Stage $stage): string => $stage->id, $all);
        if ($names !== array_unique($names) || $ids !== array_unique($ids)) {
            throw new Refused('Two stages of a list cannot have the same name.', 'stages');
        }
    }

    /**
     * One that is damaged is left out, so that it does not keep anybody from deciding.
     *
     * @param list<StageState> $states
     */
    public static function fromStates(array $states): self
    {
        $stages = [];
        foreach ($states as $state) {
            try {
                $stages[] = Stage::fromState($state);
            } catch (Refused|\TypeError|\ValueError) {
                continue;
            }
        }

        return new self($stages);
    }

    /** @return list<StageState> */
    public function states(): array
    {
        return array_map(static fn (Stage $stage): array => $stage->state(), $this->all);
    }

    public function first(): ?Stage
    {
        return $this->all[0] ?? null;
    }

    /** What stands at a stage that is not there any more stands off the line. */
    public function at(?string $id): ?Stage
    {
        foreach ($this->all as $stage) {
            if ($stage->id === $id) {
                return $stage;
            }
        }

        return null;
    }

    /**
     * @param Stage|null $from null: off the line, which lies before the first
     * @param int        $by   stages onwards; negative: back
     *
     * @return Stage|null null: off the line; beyond the last there is none, and before the line neither
     */
    public function along(?Stage $from, int $by): ?Stage
    {
        $at = null === $from ? -1 : (int) array_search($from->id, array_column($this->all, 'id'), true);

        return $this->all[max(-1, min(\count($this->all) - 1, $at + $by))] ?? null;
    }

    /** Whether something goes on by itself from one of them. */
    public function goOn(): bool
    {
        return [] !== array_filter($this->all, static fn (Stage $stage): bool => null !== $stage->onwards);
    }
}
