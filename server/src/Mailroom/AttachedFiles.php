<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Store\Files;

/**
 * What was attached to a message, as a file that stays when the message goes.
 *
 * @phpstan-import-type FileRow from Files
 */
final readonly class AttachedFiles
{
    public function __construct(
        private Messages $messages,
        private MessageReader $reader,
        private Files $files,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param int $number which one, from 0
     *
     * @return FileRow
     *
     * @throws NotFound
     * @throws Refused  when it is empty or too large
     */
    public function keep(AccountId $accountId, EmailId $messageId, int $number): array
    {
        $source = $this->messages->source($this->messages->get($accountId, $messageId));
        $found = $this->reader->read($source, \DateTimeImmutable::createFromInterface($this->clock->now()))->attachments[$number]
            ?? throw new NotFound('attachment', (string) $number);

        return $this->files->take($accountId, $found->attachment->name, $found->attachment->type, $found->bytes);
    }
}
