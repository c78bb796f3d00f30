<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Stage\Onwards;
use ZippyTray\Core\Task\Stage\Stage;

/**
 * A stage as it is to be.
 */
final readonly class StageFields
{
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        public string $name,
        public ?int $days = null,
        public ?Onwards $onwards = null,
    ) {
    }

    /** @throws Refused */
    public function stage(): Stage
    {
        return new Stage($this->id, $this->name, $this->days, $this->onwards);
    }
}
