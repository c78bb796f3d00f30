<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Stamp;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Stamp\StampStep;

final readonly class StampFields
{
    /**
     * @param list<StampStepField> $steps
     * @param int|null             $key   from 1 to 9; null: none
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public string $name,
        #[Assert\Count(max: 50), Assert\Valid]
        public array $steps,
        public ?int $key = null,
    ) {
    }

    /** @return list<StampStep> */
    public function steps(): array
    {
        return array_map(static fn (StampStepField $field): StampStep => $field->step(), $this->steps);
    }
}
