<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\Arrival\Reading;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Letter;
use ZippyTray\Core\Tray\Advice\ReadLetter;

final readonly class MemoryReading implements Reading
{
    public function __construct(private Memory $memory)
    {
    }

    public function read(Recipient $for, Letter $letter, string $name): Findings
    {
        return (new ReadLetter())($letter, $for->person);
    }

    public function keep(Recipient $for, string $messageId, ?Findings $findings): void
    {
        $this->memory->findings[$messageId] = $findings;
    }

    public function want(Recipient $for, array $messageIds): void
    {
        $this->memory->wanted = [...$this->memory->wanted, ...$messageIds];
    }
}
