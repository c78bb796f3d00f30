<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Remark\Remark;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\Time\Moment;

/**
 * A message as it is kept. It never changes.
 *
 * @phpstan-import-type RemarkState from Remark
 */
final readonly class Message
{
    private const EXCERPT_LENGTH = 160;

    /** Bytes of the text that are looked at for the excerpt. */
    private const EXCERPT_OF = 4000;

    /**
     * @param string                 $messageHeader Message-ID (RFC 5322, 3.6.4) without angle brackets, empty when it has none
     * @param list<string>           $references    ids that it refers to, oldest first
     * @param list<Address>          $replyTo
     * @param list<Address>          $to
     * @param list<Address>          $cc
     * @param string                 $text          readable plain text, "\n" line ends
     * @param bool                   $plain         whether $text was sent so, and not made from HTML
     * @param bool                   $formatted     whether there is HTML
     * @param list<Attachment>       $attachments
     * @param array<string, string>  $listHeaders   see MessageContent
     * @param string                 $fingerprint   see MessageContent
     * @param int                    $size          bytes of the raw message
     * @param bool                   $own           written by the account's own person
     * @param list<RemarkState>|null $remarks       what there is to say of it besides; null: it came before that was looked for
     */
    public function __construct(
        public EmailId $id,
        public AccountId $accountId,
        public string $messageHeader,
        public array $references,
        public Address $from,
        public array $replyTo,
        public array $to,
        public array $cc,
        public string $subject,
        public Moment $sentAt,
        public DateSource $dateSource,
        public string $text,
        public bool $plain,
        public bool $formatted,
        public array $attachments,
        public array $listHeaders,
        public string $fingerprint,
        public int $size,
        public bool $own,
        public \DateTimeImmutable $importedAt,
        private ?array $remarks = [],
    ) {
    }

    public static function of(
        EmailId $id,
        AccountId $accountId,
        MessageContent $content,
        int $size,
        bool $own,
        \DateTimeImmutable $importedAt,
    ): self {
        return new self(
            $id,
            $accountId,
            $content->header,
            $content->references,
            $content->from,
            $content->replyTo,
            $content->to,
            $content->cc,
            $content->subject,
            $content->sentAt,
            $content->dateSource,
            $content->text,
            $content->plain,
            null !== $content->html,
            array_map(static fn (AttachmentContent $attached): Attachment => $attached->attachment, $content->attachments),
            $content->listHeaders,
            $content->fingerprint,
            $size,
            $own,
            $importedAt,
            array_map(static fn (Remark $remark): array => $remark->state(), $content->remarks),
        );
    }

    /** Whether remarks() were looked for; not in what came in before there were any. */
    public function isLookedThrough(): bool
    {
        return null !== $this->remarks;
    }

    /** @return list<Remark> */
    public function remarks(): array
    {
        return array_map(Remark::fromState(...), $this->remarks ?? []);
    }

    /** Whether it only says that somebody is away, or what became of another message (RFC 3834, 5). */
    public function isAutomaticAnswer(): bool
    {
        return $this->isAutomatic() && 1 !== preg_match('/^\s*auto-generated/i', $this->listHeaders['auto-submitted'] ?? '');
    }

    /** Whether a program wrote it by itself in answer to another message, as when somebody is away (RFC 3834, 5). */
    public function isAutomatic(): bool
    {
        $submitted = strtolower(trim(explode(';', $this->listHeaders['auto-submitted'] ?? '')[0]));

        return \in_array($submitted, ['auto-replied', 'auto-generated'], true)
            || 'auto_reply' === strtolower(trim($this->listHeaders['precedence'] ?? ''));
    }

    /** The beginning of what was written now, on one line. */
    public function excerpt(): string
    {
        $beginning = mb_strcut($this->text, 0, self::EXCERPT_OF);
        $written = (new BodyText())->written($beginning);

        return mb_substr(trim(preg_replace('/\s+/u', ' ', '' === $written ? $beginning : $written) ?? ''), 0, self::EXCERPT_LENGTH);
    }
}
