<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Server\Mailroom\Out\MailOut;
use ZippyTray\Server\Mailroom\PostRoom\PostRoom;

final readonly class StoppingWay implements MailOut
{
    public function __construct(private PostRoom $inner, private string $stop)
    {
    }

    public function submit(string $messageHeader, Address $from, array $to, string $raw): void
    {
        if (\in_array($this->stop, ['submit', 'taken'], true)) {
            throw new Stopped();
        }
        $this->inner->submit($messageHeader, $from, $to, $raw);
        if ('submitted' === $this->stop) {
            throw new Stopped();
        }
    }

    public function hasTaken(string $messageHeader): ?bool
    {
        return $this->inner->hasTaken($messageHeader);
    }
}
