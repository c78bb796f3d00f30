<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * Which task makes a day a good one.
 */
final readonly class KeystoneChoice
{
    /** @param string|null $task null: none */
    public function __construct(#[Assert\Uuid] public string $entry, #[Assert\Uuid] public ?string $task = null)
    {
    }
}
