<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Order;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Server\Http\Payload\Stamp\StampStepField;

final readonly class OrderTrial
{
    /**
     * @param array<array-key, mixed> $condition see Condition::checked()
     * @param list<StampStepField>    $steps
     * @param string                  $after     `next` of the part before; empty for the first
     */
    public function __construct(
        public array $condition,
        #[Assert\Count(max: 50), Assert\Valid]
        public array $steps = [],
        #[Assert\Length(max: 100)]
        public string $after = '',
    ) {
    }

    /** @return list<StampStep> */
    public function steps(): array
    {
        return array_map(static fn (StampStepField $field): StampStep => $field->step(), $this->steps);
    }
}
