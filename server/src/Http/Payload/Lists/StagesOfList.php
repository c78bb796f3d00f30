<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Stage\Stage;
use ZippyTray\Core\Task\Stage\Stages;

final readonly class StagesOfList
{
    /**
     * @param list<StageFields> $stages
     * @param list<string>      $were   ids of the stages that were seen
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Valid, Assert\Count(max: 100)]
        public array $stages,
        #[Assert\Count(max: 100), Assert\All([new Assert\Uuid()])]
        public array $were,
    ) {
    }

    /** @throws Refused */
    public function stages(): Stages
    {
        return new Stages(array_map(static fn (StageFields $fields): Stage => $fields->stage(), $this->stages));
    }
}
