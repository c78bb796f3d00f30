<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\DateSource;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Remark\Remark;
use ZippyTray\Core\Mail\Text\BodyKind;
use ZippyTray\Core\Mail\Text\BodyPart;
use ZippyTray\Core\Mail\Text\BodyText;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Server\Store\StoredNow;

/**
 * A message as it is read on screen.
 *
 * @phpstan-type RemarkView array{place: string, deceit: bool, about: string, text: string}
 */
final readonly class MessageView
{
    /**
     * @param list<Address>    $replyTo
     * @param list<Address>    $to
     * @param list<Address>    $cc
     * @param list<Attachment> $attachments
     * @param list<BodyPart>   $parts       whose words the text is, from its beginning to its end
     * @param int|null         $next        where the text goes on, in characters from 0; null when it is whole
     * @param list<RemarkView> $remarks
     */
    private function __construct(
        public string $id,
        public string $messageHeader,
        public Address $from,
        public array $replyTo,
        public array $to,
        public array $cc,
        public string $subject,
        public string $sentAt,
        public DateSource $dateSource,
        public string $text,
        public array $parts,
        public ?int $next,
        public bool $plain,
        public bool $formatted,
        public array $attachments,
        public bool $own,
        public int $size,
        public array $remarks,
        public ?FoundView $found,
    ) {
    }

    public static function of(Message $message, ?Findings $findings = null): self
    {
        $piece = TextPiece::of($message->text);

        return new self(
            $message->id->text,
            $message->messageHeader,
            $message->from,
            $message->replyTo,
            $message->to,
            $message->cc,
            $message->subject,
            StoredNow::of($message->sentAt->instant),
            $message->dateSource,
            $piece->text,
            (new BodyText())->parts($piece->text),
            $piece->next,
            $message->plain,
            $message->formatted,
            $message->attachments,
            $message->own,
            $message->size,
            array_map(
                static fn (Remark $remark): array => [
                    'place' => $remark->kind->place(),
                    'deceit' => $remark->kind->isDeceit(),
                    'about' => $remark->about,
                    'text' => $remark->sentence(),
                ],
                $message->remarks(),
            ),
            null === $findings ? null : FoundView::of($findings),
        );
    }

    /** Without anything that is worked out. */
    public static function bare(Message $message): self
    {
        $piece = TextPiece::of(mb_scrub($message->text));
        $length = mb_strlen($piece->text);

        return new self(
            $message->id->text,
            $message->messageHeader,
            $message->from,
            $message->replyTo,
            $message->to,
            $message->cc,
            $message->subject,
            StoredNow::of($message->sentAt->instant),
            $message->dateSource,
            $piece->text,
            0 === $length ? [] : [new BodyPart(BodyKind::Written, 0, $length)],
            $piece->next,
            $message->plain,
            $message->formatted,
            $message->attachments,
            $message->own,
            $message->size,
            [],
            null,
        );
    }
}
