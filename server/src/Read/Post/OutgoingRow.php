<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\OutgoingState;
use ZippyTray\Core\Post\SendMail;
use ZippyTray\Server\Store\StoredNow;

/**
 * A message that goes out, as it stands in a list. Instants are in UTC (RFC 3339).
 */
final readonly class OutgoingRow
{
    /**
     * @param string      $to           names
     * @param bool        $later        the person chose the moment
     * @param string      $problem      why it has not gone out, a sentence; may be empty
     * @param string|null $conversation that it belongs to
     */
    private function __construct(
        public string $id,
        public OutgoingState $state,
        public AnswerKind $kind,
        public string $to,
        public string $subject,
        public ?string $goesAt,
        public bool $later,
        public string $problem,
        public ?string $nextTryAt,
        public ?string $conversation,
        public string $changedAt,
    ) {
    }

    public static function of(Outgoing $outgoing): self
    {
        $letter = $outgoing->letter();
        $goesAt = $outgoing->goesAt();
        $nextTryAt = $outgoing->nextTryAt();

        return new self(
            $outgoing->id->text,
            $outgoing->outgoingState(),
            $outgoing->kind,
            SendMail::names($letter->to ?: $letter->recipients()),
            $letter->subject,
            null === $goesAt ? null : StoredNow::of($goesAt->instant),
            $outgoing->isLater(),
            $outgoing->problem(),
            null === $nextTryAt ? null : StoredNow::of($nextTryAt),
            $outgoing->conversationId?->text,
            StoredNow::of($outgoing->changedAt()),
        );
    }
}
