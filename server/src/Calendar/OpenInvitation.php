<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;

/**
 * The calendar object that came with a message.
 */
final readonly class OpenInvitation
{
    /** Bytes: an invitation is no calendar. */
    private const LARGEST = 262_144;

    public function __construct(
        private Messages $messages,
        private MessageReader $reader,
        private ReadCalendar $read,
        private ClockInterface $clock,
    ) {
    }

    /** @throws NotFound when it has none that can be read */
    public function of(Account $account, Message $message): CalendarFile
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        foreach ($this->reader->read($this->messages->source($message), $now)->attachments as $one) {
            if (null === $one->attachment->event || \strlen($one->bytes) > self::LARGEST) {
                continue;
            }
            try {
                $file = ($this->read)($one->bytes, $account->profile->speaker($now), $account->person());
            } catch (Refused) {
                continue;
            }
            if ([] !== $file->events) {
                return $file;
            }
        }
        throw new NotFound('invitation', $message->id->text);
    }
}
