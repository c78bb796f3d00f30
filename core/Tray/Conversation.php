<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\SubjectLine;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * Messages that belong together: the unit that is decided.
 *
 * A conversation that is away carries the moment of its return. Nothing has to happen at that
 * moment: placeAt() computes from it where the conversation is now.
 */
final class Conversation implements Journaled
{
    private Place $place;

    private ?\DateTimeImmutable $awayUntil = null;

    private ?string $awayZone = null;

    private ?AwayReason $awayReason = null;

    private ?\DateTimeImmutable $binnedAt = null;

    /** Who owes an answer, and what; only while it is away for that. */
    private ?string $owedBy = null;

    private ?string $owedWhat = null;

    /** It stays out of the tray whatever arrives. */
    private bool $muted = false;

    /** When it was decided last, and how; null as long as it never was. */
    private ?\DateTimeImmutable $decidedAt = null;

    private ?AdvisedDecision $decidedAs = null;

    /** Grows with everything that happens to it, so that a decision on an older sight of it is noticed. */
    private int $revision = 1;

    /** Whether the last thing that happened to it was a message that came in. */
    private bool $revisedByMail = true;

    /** The list or the sender by which habits are told. */
    private string $habitKey = '';

    /** How often it has been put off since it was last decided otherwise. */
    private int $snoozes = 0;

    private bool $unread = true;

    private string $subject = '';

    private string $latestName = '';

    private string $latestEmail = '';

    private string $excerpt = '';

    private \DateTimeImmutable $latestAt;

    private int $messages = 0;

    private int $attachments = 0;

    public function __construct(
        public readonly string $id,
        public readonly string $accountId,
        Place $place = Place::Tray,
    ) {
        $this->place = $place;
        $this->latestAt = new \DateTimeImmutable('@0');
    }

    /**
     * Takes a message in. One that somebody else wrote brings the conversation back into the tray
     * when $opens, wherever it was; one of the person's own leaves it where it is.
     */
    public function receive(Message $message, bool $opens): void
    {
        $this->note($message);
        ++$this->revision;
        $this->revisedByMail = true;
        if ($opens && !$message->own && !$this->muted) {
            $this->moveTo(Place::Tray);
            $this->unread = true;
        }
    }

    /** @param list<Message> $messages all that it holds now, oldest first */
    public function describe(array $messages): void
    {
        $this->messages = $this->attachments = 0;
        foreach ($messages as $message) {
            $this->note($message);
        }
    }

    /** Another conversation turned out to be part of this one: what still needed a decision there needs it here. */
    public function takeOver(self $other): void
    {
        if (Place::Tray === $other->place && Place::Tray !== $this->place) {
            $this->moveTo(Place::Tray);
        }
        $this->unread = $this->unread || $other->unread;
    }

    private function note(Message $message): void
    {
        $isFirst = 0 === $this->messages;
        $isLater = $isFirst || $message->sentAt->instant >= $this->latestAt;
        ++$this->messages;
        $this->attachments += \count($message->attachments);
        if ($isLater) {
            $this->latestAt = $message->sentAt->instant;
        }
        if ($isFirst || ($isLater && !$message->own)) {
            $this->subject = SubjectLine::cleaned($message->subject);
            $this->latestName = $message->from->label();
            $this->latestEmail = $message->from->email;
            $this->excerpt = $message->excerpt();
            $this->habitKey = HabitKey::of($message);
        }
    }

    public function moveTo(Place $place): void
    {
        $this->place = $place;
        $this->awayUntil = $this->awayZone = $this->awayReason = $this->binnedAt = $this->owedBy = $this->owedWhat = null;
        ++$this->revision;
        $this->revisedByMail = false;
    }

    /** @param AdvisedDecision $as what the archiving stands for: done at once, made into a task, or nothing to do */
    public function archive(\DateTimeImmutable $now, AdvisedDecision $as = AdvisedDecision::Archive): void
    {
        $this->decide(Place::Archive, $as, $now);
        $this->snoozes = 0;
    }

    public function delete(\DateTimeImmutable $now): void
    {
        $this->decide(Place::Bin, AdvisedDecision::Delete, $now);
        $this->binnedAt = $now;
        $this->snoozes = 0;
    }

    public function snooze(Moment $until, \DateTimeImmutable $now): void
    {
        $this->decide(Place::Away, AdvisedDecision::Snooze, $now);
        $this->goAway($until, AwayReason::Snooze);
        ++$this->snoozes;
    }

    /**
     * @param string $by   who owes an answer
     * @param string $what what is owed; may be empty
     */
    public function handOver(string $by, string $what, Moment $until, \DateTimeImmutable $now): void
    {
        $this->decide(Place::Away, AdvisedDecision::Delegate, $now);
        $this->goAway($until, AwayReason::HandOver);
        $this->owedBy = $by;
        $this->owedWhat = $what;
        $this->snoozes = 0;
    }

    public function block(\DateTimeImmutable $now): void
    {
        $this->decide(Place::Blocked, AdvisedDecision::Block, $now);
        $this->snoozes = 0;
    }

    /** Into the archive, and out of the tray whatever arrives. */
    public function mute(\DateTimeImmutable $now): void
    {
        $this->archive($now);
        $this->muted = true;
    }

    /** Into the tray, where it waits for a decision again. */
    public function bringBack(): void
    {
        $this->moveTo(Place::Tray);
        $this->muted = false;
        $this->decidedAs = null;
    }

    private function decide(Place $place, AdvisedDecision $as, \DateTimeImmutable $now): void
    {
        $this->moveTo($place);
        $this->muted = false;
        $this->decidedAt = $now;
        $this->decidedAs = $as;
    }

    private function goAway(Moment $until, AwayReason $reason): void
    {
        $this->awayUntil = $until->instant;
        $this->awayZone = $until->zone->getName();
        $this->awayReason = $reason;
    }

    public function placeAt(\DateTimeInterface $now): Place
    {
        return $this->hasReturned($now) ? Place::Tray : $this->place;
    }

    public function hasReturned(\DateTimeInterface $now): bool
    {
        return Place::Away === $this->place && null !== $this->awayUntil && $this->awayUntil <= $now;
    }

    public function awayUntil(): ?Moment
    {
        return null === $this->awayUntil || null === $this->awayZone ? null : new Moment($this->awayUntil, Moment::zone($this->awayZone));
    }

    public function binnedAt(): ?\DateTimeImmutable
    {
        return $this->binnedAt;
    }

    public function revision(): int
    {
        return $this->revision;
    }

    public function isRevisedByMail(): bool
    {
        return $this->revisedByMail;
    }

    public function isMuted(): bool
    {
        return $this->muted;
    }

    /** The address of who wrote last; may be empty. */
    public function senderEmail(): string
    {
        return $this->latestEmail;
    }

    public function subject(): string
    {
        return $this->subject;
    }

    public function markRead(): void
    {
        $this->unread = false;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Conversation, $this->id);
    }

    public function state(): array
    {
        return [
            'place' => $this->place->value,
            'awayUntil' => $this->awayUntil?->format(\DATE_ATOM),
            'awayZone' => $this->awayZone,
            'awayReason' => $this->awayReason?->value,
            'binnedAt' => $this->binnedAt?->format(\DATE_ATOM),
            'snoozes' => $this->snoozes,
            'owedBy' => $this->owedBy,
            'owedWhat' => $this->owedWhat,
            'muted' => $this->muted,
            'decidedAt' => $this->decidedAt?->format(\DATE_ATOM),
            'decidedAs' => $this->decidedAs?->value,
        ];
    }

    public function restore(array $state): void
    {
        /** @var array{place: string, awayUntil: ?string, awayZone: ?string, awayReason: ?string, binnedAt: ?string, snoozes: int, owedBy: ?string, owedWhat: ?string, muted: bool, decidedAt: ?string, decidedAs: ?string} $state */
        $this->place = Place::from($state['place']);
        $this->awayUntil = null === $state['awayUntil'] ? null : new \DateTimeImmutable($state['awayUntil']);
        $this->awayZone = $state['awayZone'];
        $this->awayReason = null === $state['awayReason'] ? null : AwayReason::from($state['awayReason']);
        $this->binnedAt = null === $state['binnedAt'] ? null : new \DateTimeImmutable($state['binnedAt']);
        $this->snoozes = $state['snoozes'];
        $this->owedBy = $state['owedBy'];
        $this->owedWhat = $state['owedWhat'];
        $this->muted = $state['muted'];
        $this->decidedAt = null === $state['decidedAt'] ? null : new \DateTimeImmutable($state['decidedAt']);
        $this->decidedAs = null === $state['decidedAs'] ? null : AdvisedDecision::from($state['decidedAs']);
        ++$this->revision;
        $this->revisedByMail = false;
    }

    public function needs(): array
    {
        return [];
    }
}
