<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * A clock to be started for a task.
 */
final readonly class ClockStart
{
    public function __construct(#[Assert\Uuid] public string $id, #[Assert\Uuid] public string $task)
    {
    }
}
