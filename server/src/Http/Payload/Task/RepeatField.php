<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Unreadable;

final readonly class RepeatField
{
    /** @param bool $same it is the one that the task has already, and goes on */
    public function __construct(public string $phrase, public bool $fromCompletion = false, public bool $same = false)
    {
    }

    /**
     * @param Due|null $due the due beside which it is written
     *
     * @throws Refused
     */
    public function repeat(Speaker $speaker, ?Due $due = null): Repeat
    {
        try {
            $reading = $speaker->read($this->phrase, $due?->date);
        } catch (Unreadable $problem) {
            throw new Refused($problem->getMessage(), 'repeat');
        }

        return Repeat::of($reading, $speaker->now->zone, $this->fromCompletion)
            ?? throw new Refused(
                \sprintf('"%s" is a single day. A repeat begins with "every", "daily", "weekly" or the like.', $this->phrase),
                'repeat',
            );
    }
}
