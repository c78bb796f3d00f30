<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Task\TaskId;

/**
 * What a letter to a mail-in address asked for, and what was made of it.
 */
final readonly class MadeByMail
{
    /**
     * @param list<string> $details  see Asking
     * @param string       $answers  see Asking
     * @param string       $did      what was made, in a sentence; empty when nothing was
     * @param list<string> $troubles what was not understood, a sentence each
     * @param EntryId|null $entryId  of the journal
     * @param TaskId|null  $taskId   that was made
     */
    public function __construct(
        public string $id,
        public AccountId $accountId,
        public EmailId $messageId,
        public array $details,
        public string $answers,
        public \DateTimeImmutable $at,
        public MailInState $state = MailInState::Wanted,
        public string $did = '',
        public array $troubles = [],
        public ?EntryId $entryId = null,
        public ?TaskId $taskId = null,
    ) {
    }

    /** @param list<string> $troubles */
    public function settled(string $did, array $troubles, ?EntryId $entryId, ?TaskId $taskId): self
    {
        return new self(
            $this->id,
            $this->accountId,
            $this->messageId,
            $this->details,
            $this->answers,
            $this->at,
            '' === $did ? MailInState::Refused : MailInState::Done,
            $did,
            $troubles,
            $entryId,
            $taskId,
        );
    }

    /** The Message-ID (RFC 5322, 3.6.4) of its confirmation, without angle brackets. */
    public function confirmationHeader(string $email): string
    {
        return $this->key().'@'.(substr((string) strrchr($email, '@'), 1) ?: 'localhost');
    }

    /** The sub-address at which it is answered (RFC 5233). */
    public function answerAddress(string $email): string
    {
        return substr($email, 0, (int) strrpos($email, '@')).'+'.$this->key().strrchr($email, '@');
    }

    private function key(): string
    {
        return Asking::ANSWER.str_replace('-', '', $this->id);
    }
}
