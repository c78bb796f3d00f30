<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Stage;

/**
 * Where something stands on the line of its list, since when, and where among its like.
 *
 * @phpstan-type StageSpotState array{id: string, since: string, rank: string}
 */
final readonly class StageSpot
{
    /** @param string $rank see Rank; tasks and conversations of a stage stand in one order */
    public function __construct(public string $stage, public \DateTimeImmutable $since, public string $rank)
    {
    }

    /** @param StageSpotState|null $state */
    public static function fromState(?array $state): ?self
    {
        return null === $state ? null : new self($state['id'], new \DateTimeImmutable($state['since']), $state['rank']);
    }

    /** @return StageSpotState */
    public function state(): array
    {
        return ['id' => $this->stage, 'since' => $this->since->format(\DATE_ATOM), 'rank' => $this->rank];
    }
}
