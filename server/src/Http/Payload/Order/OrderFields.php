<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Order;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Server\Http\Payload\Stamp\StampStepField;

final readonly class OrderFields
{
    /**
     * @param array<array-key, mixed> $condition see Condition::checked()
     * @param list<StampStepField>    $steps
     * @param bool                    $last      orders behind it are not looked at any more
     * @param bool                    $urgent    such mail comes in at once
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public string $name,
        public array $condition,
        #[Assert\Count(max: 50), Assert\Valid]
        public array $steps,
        public bool $on = false,
        public bool $last = false,
        public bool $urgent = false,
    ) {
    }

    /** @return list<StampStep> */
    public function steps(): array
    {
        return array_map(static fn (StampStepField $field): StampStep => $field->step(), $this->steps);
    }
}
