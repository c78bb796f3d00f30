<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Server\Http\Payload\WhenField;

/**
 * What is owed and is asked for by a task, and when it is expected then.
 */
final readonly class AskedField
{
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        public WhenField $until,
    ) {
    }
}
