<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\Arrival\Reading;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\ReadMessage;

final readonly class MemoryReading implements Reading
{
    public function __construct(private Memory $memory)
    {
    }

    public function read(Recipient $for, Gist $gist, string $name): Findings
    {
        return (new ReadMessage())($gist, $for->person);
    }

    public function keep(Recipient $for, EmailId $messageId, ?Findings $findings): void
    {
        $this->memory->findings[$messageId->text] = $findings;
    }

    public function want(Recipient $for, array $messageIds): void
    {
        $this->memory->wanted = [...$this->memory->wanted, ...array_map(strval(...), $messageIds)];
    }
}
