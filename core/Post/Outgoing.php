<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Irrevocable;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;

/**
 * A message of the person's own, from the first word of its draft until it is out.
 *
 * @phpstan-import-type LetterState from Letter
 */
final class Outgoing implements Irrevocable
{
    /** Minutes after which sending is tried again, one after the other; then it is given up. */
    public const PAUSES = [1, 5, 15, 60, 240];

    /** @var LetterState */
    private array $letter;

    private OutgoingState $state = OutgoingState::Draft;

    private ?\DateTimeImmutable $goesAt = null;

    private ?string $zone = null;

    /** Whether the person wants it to go out later, and not only when it can no longer be taken back. */
    private bool $later = false;

    /** When it is tried again after it could not be sent; null as long as goesAt counts. */
    private ?\DateTimeImmutable $nextTryAt = null;

    private int $tries = 0;

    private string $problem = '';

    private ?\DateTimeImmutable $sentAt = null;

    private int $revision = 1;

    /**
     * @param string              $messageHeader  Message-ID (RFC 5322, 3.6.4) without angle brackets: the same however often it is tried
     * @param EmailId|null        $messageId      the message that it answers or forwards
     * @param ConversationId|null $conversationId the conversation in which it was written
     */
    public function __construct(
        public readonly OutgoingId $id,
        public readonly AccountId $accountId,
        public readonly string $messageHeader,
        public readonly AnswerKind $kind,
        public readonly ?EmailId $messageId,
        public readonly ?ConversationId $conversationId,
        Letter $letter,
        private \DateTimeImmutable $changedAt,
    ) {
        $this->letter = $letter->state();
    }

    /** @throws Refused when it is no draft any more */
    public function write(Letter $letter, \DateTimeImmutable $now): void
    {
        if (OutgoingState::Draft !== $this->state && OutgoingState::Waiting !== $this->state) {
            throw new Refused($this->tooLate());
        }
        $this->letter = $letter->state();
        $this->changedAt = $now;
        ++$this->revision;
    }

    /**
     * @param bool $later whether the person chose the moment
     *
     * @throws Refused when there is nobody to send it to, or it is on its way already
     */
    public function queue(Moment $at, bool $later): void
    {
        if (!\in_array($this->state, [OutgoingState::Draft, OutgoingState::Waiting, OutgoingState::Failed, OutgoingState::Doubt], true)) {
            throw new Refused($this->tooLate());
        }
        $letter = Recipients::checkAll($this->letter());
        $this->letter = $letter->state();
        $this->state = OutgoingState::Waiting;
        $this->goesAt = $at->instant;
        $this->zone = $at->zone->getName();
        $this->later = $later;
        $this->nextTryAt = null;
        $this->tries = 0;
        $this->problem = '';
        ++$this->revision;
    }

    /** @throws Refused when it has gone out, or is going */
    public function backToDraft(\DateTimeImmutable $now): void
    {
        if (\in_array($this->state, [OutgoingState::Sending, OutgoingState::Sent], true)) {
            throw new Refused($this->tooLate());
        }
        $this->state = OutgoingState::Draft;
        $this->goesAt = $this->nextTryAt = $this->zone = null;
        $this->later = false;
        $this->problem = '';
        $this->changedAt = $now;
        ++$this->revision;
    }

    public function isDue(\DateTimeImmutable $now): bool
    {
        return OutgoingState::Waiting === $this->state && null !== $this->goesAt && ($this->nextTryAt ?? $this->goesAt) <= $now;
    }

    /** It is handed over now; until its outcome is known, nothing else can be done with it. */
    public function begin(): void
    {
        $this->state = OutgoingState::Sending;
        ++$this->tries;
        ++$this->revision;
    }

    public function sent(\DateTimeImmutable $now): void
    {
        $this->state = OutgoingState::Sent;
        $this->sentAt = $now;
        $this->problem = '';
        ++$this->revision;
    }

    /** It did not go out, and may do so later: after a pause, or not at all when that has been tried often enough. */
    public function tryAgain(string $problem, \DateTimeImmutable $now): void
    {
        $pause = self::PAUSES[$this->tries - 1] ?? null;
        $this->state = null === $pause ? OutgoingState::Failed : OutgoingState::Waiting;
        $this->nextTryAt = null === $pause ? null : $now->modify(\sprintf('+%d minutes', $pause));
        $this->problem = $problem;
        ++$this->revision;
    }

    /** It did not go out, and never will as it is. */
    public function fail(string $problem): void
    {
        $this->state = OutgoingState::Failed;
        $this->problem = $problem;
        ++$this->revision;
    }

    /** Whether it went out cannot be known. */
    public function doubt(string $problem): void
    {
        $this->state = OutgoingState::Doubt;
        $this->problem = $problem;
        ++$this->revision;
    }

    /** Whoever handed it over was stopped before that began: as if it had not been tried. */
    public function notBegun(): void
    {
        $this->state = OutgoingState::Waiting;
        --$this->tries;
        ++$this->revision;
    }

    public function letter(): Letter
    {
        return Letter::fromState($this->letter);
    }

    public function outgoingState(): OutgoingState
    {
        return $this->state;
    }

    public function goesAt(): ?Moment
    {
        return null === $this->goesAt || null === $this->zone ? null : new Moment($this->goesAt, Moment::zone($this->zone));
    }

    public function isLater(): bool
    {
        return $this->later;
    }

    public function problem(): string
    {
        return $this->problem;
    }

    public function nextTryAt(): ?\DateTimeImmutable
    {
        return $this->nextTryAt;
    }

    public function tries(): int
    {
        return $this->tries;
    }

    public function revision(): int
    {
        return $this->revision;
    }

    public function changedAt(): \DateTimeImmutable
    {
        return $this->changedAt;
    }

    public function sentAt(): ?\DateTimeImmutable
    {
        return $this->sentAt;
    }

    public function whyItStands(): string
    {
        return match (true) {
            OutgoingState::Draft === $this->state => '',
            $this->state->isTrouble() => 'It could not be sent. You find it under Coming back.',
            default => 'It has gone out, and cannot be taken back any more.',
        };
    }

    private function tooLate(): string
    {
        return OutgoingState::Sent === $this->state ? 'It has gone out already.' : 'It is going out at this moment.';
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Outgoing, $this->id->text);
    }

    public function state(): array
    {
        return [
            'letter' => $this->letter,
            'state' => $this->state->value,
            'goesAt' => $this->goesAt?->format(\DATE_ATOM),
            'zone' => $this->zone,
            'later' => $this->later,
            'kind' => $this->kind->value,
            'header' => $this->messageHeader,
            'message' => $this->messageId?->text,
            'conversation' => $this->conversationId?->text,
        ];
    }

    public function restore(array $state): void
    {
        /** @var array{letter: LetterState, state: string, goesAt: ?string, zone: ?string, later: bool} $state */
        $this->letter = $state['letter'];
        $this->state = OutgoingState::from($state['state']);
        $this->goesAt = null === $state['goesAt'] ? null : new \DateTimeImmutable($state['goesAt']);
        $this->zone = $state['zone'];
        $this->later = $state['later'];
        $this->nextTryAt = null;
        $this->tries = 0;
        $this->problem = '';
        ++$this->revision;
    }

    /** @param array<string, mixed> $state */
    public static function revived(OutgoingId $id, AccountId $accountId, array $state, \DateTimeImmutable $now): self
    {
        /** @var array{letter: LetterState, kind: string, header: string, message: ?string, conversation: ?string} $state */
        $outgoing = new self(
            $id,
            $accountId,
            $state['header'],
            AnswerKind::from($state['kind']),
            EmailId::orNull($state['message']),
            ConversationId::orNull($state['conversation']),
            Letter::fromState($state['letter']),
            $now,
        );
        $outgoing->restore($state);

        return $outgoing;
    }

    public function needs(): array
    {
        return [];
    }
}
