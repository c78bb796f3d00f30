<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Stage;

/**
 * How what can stand at a stage keeps it.
 *
 * @phpstan-import-type StageSpotState from StageSpot
 */
trait StandsAtStage
{
    private ?string $stage = null;

    private ?\DateTimeImmutable $stageSince = null;

    private ?string $stageRank = null;

    public function stage(): ?StageSpot
    {
        return null === $this->stage || null === $this->stageSince || null === $this->stageRank
            ? null
            : new StageSpot($this->stage, $this->stageSince, $this->stageRank);
    }

    private function keepStage(?StageSpot $spot): void
    {
        [$this->stage, $this->stageSince, $this->stageRank] = [$spot?->stage, $spot?->since, $spot?->rank];
    }

    /** @return array{stage?: StageSpotState} */
    private function stageState(): array
    {
        $spot = $this->stage();

        return null === $spot ? [] : ['stage' => $spot->state()];
    }
}
