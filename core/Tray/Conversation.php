<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;

/**
 * Messages that belong together: the unit that is decided.
 *
 * A conversation that is away carries the moment of its return. Nothing has to happen at that
 * moment: placeAt() computes from it where the conversation is now.
 *
 * @phpstan-import-type ReminderState from Reminder
 */
final class Conversation implements Journaled
{
    private Place $place;

    private ?\DateTimeImmutable $awayUntil = null;

    private ?string $awayZone = null;

    private ?AwayReason $awayReason = null;

    /** What brought it back before its time; null when nothing did. */
    private ?BackBecause $calledBackBy = null;

    private ?\DateTimeImmutable $binnedAt = null;

    /** Who owes an answer, and what; only while it is away for that. */
    private ?string $owedBy = null;

    private ?string $owedWhat = null;

    /** It stays out of the tray whatever arrives. */
    private bool $muted = false;

    /** When it was decided last, and how; null as long as it never was. */
    private ?\DateTimeImmutable $decidedAt = null;

    private ?AdvisedDecision $decidedAs = null;

    /** Whether it was decided without a look at it. */
    private bool $decidedUnread = false;

    /** Grows with everything that happens to it, so that a decision on an older sight of it is noticed. */
    private int $revision = 1;

    /** Whether the last thing that happened to it was a message that came in. */
    private bool $revisedByMail = true;

    /** How often it has been put off since it was last decided otherwise. */
    private int $snoozes = 0;

    /** When it was put off first, of those times. */
    private ?\DateTimeImmutable $snoozedSince = null;

    /** @var list<ReminderState> */
    private array $reminders = [];

    private bool $unread = true;

    private Summary $summary;

    public function __construct(
        public readonly ConversationId $id,
        public readonly AccountId $accountId,
        Place $place = Place::Tray,
    ) {
        $this->place = $place;
        $this->summary = Summary::none();
    }

    /**
     * Takes a message in. One that somebody else wrote brings the conversation back into the tray
     * when $opens, wherever it was; one of the person's own leaves it where it is.
     *
     * @param bool             $endsSnooze whether it brings back what was put off until a moment
     * @param BackBecause|null $because    what it is to who waits for an answer; null when it is none
     * @param Moment|null      $held       the moment at which it comes into the tray; null: at once. What waits for an answer of
     *                                     somebody, and what is in the tray already, is never held back.
     */
    public function receive(
        Message $message,
        bool $opens,
        \DateTimeImmutable $now,
        bool $endsSnooze = true,
        ?BackBecause $because = BackBecause::Message,
        ?Moment $held = null,
    ): void {
        $isNew = 0 === $this->summary->messages;
        $held = $this->isAwaited($because) ? null : $held;
        $this->summary = $this->summary->with($message);
        if ($opens && !$message->own && !$this->muted) {
            $this->unread = true;
            if (Place::Away === $this->place) {
                $this->receiveAway($now, $endsSnooze, $because, $held);
            } elseif (null !== $held && ($isNew || Place::Tray !== $this->place)) {
                $this->moveTo(Place::Away);
                $this->goAway($held, AwayReason::Held);
            } else {
                $this->moveTo(Place::Tray);
            }
        }
        ++$this->revision;
        $this->revisedByMail = true;
    }

    private function receiveAway(\DateTimeImmutable $now, bool $endsSnooze, ?BackBecause $because, ?Moment $held): void
    {
        if ($this->hasReturned($now)) {
            $this->callBack($because ?? BackBecause::Message, $now);
        } elseif (AwayReason::Held === $this->awayReason) {
            null === $held && null !== $because && $this->isHeld($now) ? $this->letIn($now) : null;
        } elseif ($this->endsWaiting($endsSnooze, $because)) {
            $this->callBack($because ?? BackBecause::Message, $held->instant ?? $now);
        }
    }

    private function isAwaited(?BackBecause $because): bool
    {
        return \in_array($because, [BackBecause::Answer, BackBecause::Undelivered], true)
            || (BackBecause::Message === $because && AwayReason::Answer === $this->awayReason);
    }

    /** Whether it has arrived and waits for the hour at which mail comes in. */
    public function isHeld(\DateTimeInterface $now): bool
    {
        return Place::Away === $this->place
            && !$this->isAwayOver($now)
            && (AwayReason::Held === $this->awayReason || null !== $this->calledBackBy);
    }

    /** What is held back comes in at another moment; what had been put off besides, not later than it would have come back. */
    public function letIn(\DateTimeImmutable $at): void
    {
        $this->awayUntil = AwayReason::Held === $this->awayReason ? $at : min($this->awayUntil ?? $at, $at);
        ++$this->revision;
        $this->revisedByMail = false;
    }

    private function endsWaiting(bool $endsSnooze, ?BackBecause $because): bool
    {
        return \in_array($this->awayReason, [AwayReason::Answer, AwayReason::HandOver], true) ? null !== $because : $endsSnooze;
    }

    /** What was sent in it did not go out: it needs the person again, wherever it is. */
    public function notSent(\DateTimeImmutable $now): void
    {
        Place::Away === $this->place ? $this->callBack(BackBecause::Undelivered, $now) : $this->bringBack();
        $this->unread = true;
    }

    /**
     * Back before its time; what has come back already stays as it is.
     *
     * @param \DateTimeImmutable $at now, or the moment at which mail that is held back comes in
     */
    public function callBack(BackBecause $because, \DateTimeImmutable $at): void
    {
        if (Place::Away !== $this->place || ($this->hasReturned($at) && !$because->isNews())) {
            return;
        }
        $this->awayUntil = min($this->awayUntil ?? $at, $at);
        $this->calledBackBy = $because;
        ++$this->revision;
        $this->revisedByMail = false;
    }

    public function summary(): Summary
    {
        return $this->summary;
    }

    /** @param list<Message> $messages all that it holds now */
    public function describe(array $messages): void
    {
        $this->summary = Summary::of($messages);
    }

    /** Another conversation turned out to be part of this one: what still needed a decision there needs it here. */
    public function takeOver(self $other): void
    {
        if (Place::Tray === $other->place && Place::Tray !== $this->place) {
            $this->moveTo(Place::Tray);
        } elseif (Place::Away === $other->place && Place::Archive === $this->place) {
            $this->restore(['reminders' => $this->reminders] + $other->state());
        } elseif (AwayReason::Held === $other->awayReason && null !== $other->awayUntil && AwayReason::Held !== $this->awayReason) {
            $this->callBack(BackBecause::Message, $other->awayUntil);
        }
        $this->reminders = array_values(array_unique([...$this->reminders, ...$other->reminders], \SORT_REGULAR));
        $this->unread = $this->unread || $other->unread;
    }

    public function moveTo(Place $place): void
    {
        $this->place = $place;
        $this->awayUntil = $this->awayZone = $this->awayReason = $this->calledBackBy
            = $this->binnedAt = $this->owedBy = $this->owedWhat = null;
        ++$this->revision;
        $this->revisedByMail = false;
    }

    /** @param AdvisedDecision $as what the archiving stands for: done at once, made into a task, or nothing to do */
    public function archive(\DateTimeImmutable $now, AdvisedDecision $as = AdvisedDecision::Archive): void
    {
        $this->decide(Place::Archive, $as, $now);
        $this->endSnoozes();
    }

    public function delete(\DateTimeImmutable $now): void
    {
        $this->decide(Place::Bin, AdvisedDecision::Delete, $now);
        $this->binnedAt = $now;
        $this->endSnoozes();
    }

    /** @param AwayReason $for anything but a hand-over */
    public function snooze(Moment $until, \DateTimeImmutable $now, AwayReason $for = AwayReason::Snooze): void
    {
        $this->snoozedSince ??= $this->snoozes > 0 ? $this->decidedAt ?? $now : $now;
        $this->decide(Place::Away, AdvisedDecision::Snooze, $now);
        $this->goAway($until, $for);
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
        $this->endSnoozes();
    }

    /** Away for the same reason until another moment. One of its own ends the waiting for a clearing; a later one counts as putting off. */
    public function moveReturn(Moment $until, \DateTimeImmutable $now): void
    {
        if (AwayReason::Held === $this->awayReason) {
            // Nobody had put it away so far.
            $this->snooze($until, $now);

            return;
        }
        if (AwayReason::HandOver !== $this->awayReason && null !== $this->awayUntil && $until->instant > $this->awayUntil) {
            $this->snoozedSince ??= $this->decidedAt ?? $now;
            ++$this->snoozes;
        }
        $this->goAway(
            $until,
            AwayReason::NextClearing === $this->awayReason || null === $this->awayReason ? AwayReason::Snooze : $this->awayReason,
        );
        ++$this->revision;
        $this->revisedByMail = false;
    }

    public function block(\DateTimeImmutable $now): void
    {
        $this->decide(Place::Blocked, AdvisedDecision::Block, $now);
        $this->endSnoozes();
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

    /** @param list<Reminder> $reminders */
    public function remind(array $reminders): void
    {
        $this->reminders = array_values(array_unique(
            array_map(static fn (Reminder $reminder): array => $reminder->state(), $reminders),
            \SORT_REGULAR,
        ));
        ++$this->revision;
        $this->revisedByMail = false;
    }

    /** @return list<Reminder> leads count from the moment at which it comes back */
    public function reminders(): array
    {
        return array_map(Reminder::fromState(...), $this->reminders);
    }

    private function endSnoozes(): void
    {
        $this->snoozes = 0;
        $this->snoozedSince = null;
    }

    private function decide(Place $place, AdvisedDecision $as, \DateTimeImmutable $now): void
    {
        $this->moveTo($place);
        $this->muted = false;
        $this->decidedAt = $now;
        $this->decidedAs = $as;
        $this->decidedUnread = $this->unread;
    }

    private function goAway(Moment $until, AwayReason $reason): void
    {
        $this->awayUntil = $until->instant;
        $this->awayZone = $until->zone->getName();
        $this->awayReason = $reason;
        $this->calledBackBy = null;
    }

    public function placeAt(\DateTimeInterface $now): Place
    {
        return $this->isAwayOver($now) ? Place::Tray : $this->place;
    }

    /** Whether somebody put it away, and it is in the tray again. */
    public function hasReturned(\DateTimeInterface $now): bool
    {
        return $this->isAwayOver($now) && AwayReason::Held !== $this->awayReason;
    }

    private function isAwayOver(\DateTimeInterface $now): bool
    {
        return Place::Away === $this->place && null !== $this->awayUntil && $this->awayUntil <= $now;
    }

    public function awayUntil(): ?Moment
    {
        return null === $this->awayUntil || null === $this->awayZone ? null : new Moment($this->awayUntil, Moment::zone($this->awayZone));
    }

    /** What leads count from: the moment at which it comes back; null when nobody put it away. */
    public function due(): ?Due
    {
        $until = AwayReason::Held === $this->awayReason ? null : $this->awayUntil();

        return null === $until ? null : Due::at($until->date(), $until->time(), $until->zone);
    }

    /** Why it is away; null when it is not. */
    public function awayReason(): ?AwayReason
    {
        return $this->awayReason;
    }

    public function decidedAt(): ?\DateTimeImmutable
    {
        return $this->decidedAt;
    }

    /** Whether it was decided after that moment, and not only put off or handed over. */
    public function isDealtSince(\DateTimeImmutable $since): bool
    {
        return null !== $this->decidedAt && $this->decidedAt > $since && true === $this->decidedAs?->dealsWith();
    }

    /** How it was decided last; null when it never was, or was brought back. */
    public function decidedAs(): ?AdvisedDecision
    {
        return $this->decidedAs;
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
        return $this->summary->latestEmail;
    }

    public function subject(): string
    {
        return $this->summary->subject;
    }

    public function markRead(): void
    {
        $this->unread = false;
    }

    public function isUnread(): bool
    {
        return $this->unread;
    }

    public function markUnread(): void
    {
        $this->unread = true;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Conversation, $this->id->text);
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
            'calledBackBy' => $this->calledBackBy?->value,
            'snoozedSince' => $this->snoozedSince?->format(\DATE_ATOM),
            'reminders' => $this->reminders,
            'decidedUnread' => $this->decidedUnread,
        ];
    }

    public function restore(array $state): void
    {
        /**
         * @var array{
         *     place: string, awayUntil: ?string, awayZone: ?string, awayReason: ?string, binnedAt: ?string,
         *     snoozes: int, owedBy: ?string, owedWhat: ?string, muted: bool, decidedAt: ?string, decidedAs: ?string,
         *     calledBackBy: ?string, snoozedSince: ?string, reminders: list<ReminderState>, decidedUnread: bool
         * } $state
         */
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
        $this->calledBackBy = null === $state['calledBackBy'] ? null : BackBecause::from($state['calledBackBy']);
        $this->snoozedSince = null === $state['snoozedSince'] ? null : new \DateTimeImmutable($state['snoozedSince']);
        $this->reminders = $state['reminders'];
        $this->decidedUnread = $state['decidedUnread'];
        ++$this->revision;
        $this->revisedByMail = false;
    }

    public function needs(): array
    {
        return [];
    }
}
