<?php

declare(strict_types=1);

namespace ZippyTray\Core\Owed;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Moment;

/**
 * One person owes an answer until a moment. Several people who were asked the same owe one each.
 */
final class Owed implements Journaled
{
    public const WHAT_LENGTH = 200;

    private string $personEmail;

    private string $personName;

    private string $what;

    private \DateTimeImmutable $until;

    private string $zone;

    private OwedState $state = OwedState::Open;

    /** When it became anything but open. */
    private ?\DateTimeImmutable $settledAt = null;

    /** When an automatic answer came, which is none. */
    private ?\DateTimeImmutable $automaticAt = null;

    /**
     * @param Address             $person         may have no address, when only a name was written down
     * @param string              $what           may be empty
     * @param ConversationId|null $conversationId in which the answer is expected; null until the message is out that begins it
     * @param TaskId|null         $taskId         what was handed over with it
     * @param OutgoingId|null     $outgoingId     the message with which it was asked for
     * @param \DateTimeImmutable  $askedAt        when it was asked for
     *
     * @throws Refused when $what is too long
     */
    public function __construct(
        public readonly string $id,
        public readonly AccountId $accountId,
        Address $person,
        string $what,
        Moment $until,
        private ?ConversationId $conversationId,
        public readonly ?TaskId $taskId,
        public readonly ?OutgoingId $outgoingId,
        private readonly \DateTimeImmutable $askedAt,
    ) {
        $this->personEmail = $person->email;
        $this->personName = $person->name;
        $this->what = trim((string) preg_replace('/\s+/u', ' ', $what));
        if (mb_strlen($this->what) > self::WHAT_LENGTH) {
            throw new Refused(\sprintf('This can have %d characters at most.', self::WHAT_LENGTH), 'what');
        }
        $this->until = $until->instant;
        $this->zone = $until->zone->getName();
    }

    public function person(): Address
    {
        return new Address($this->personEmail, $this->personName);
    }

    /** Whether a message comes from who owes it; where only a name is known, by that. */
    public function isOwedBy(Address $sender): bool
    {
        return '' !== $this->personEmail
            ? $sender->is($this->personEmail)
            : mb_strtolower($sender->name) === mb_strtolower($this->personName);
    }

    public function what(): string
    {
        return $this->what;
    }

    public function until(): Moment
    {
        return new Moment($this->until, Moment::zone($this->zone));
    }

    public function conversationId(): ?ConversationId
    {
        return $this->conversationId;
    }

    public function isOpen(): bool
    {
        return OwedState::Open === $this->state;
    }

    public function owedState(): OwedState
    {
        return $this->state;
    }

    public function askedAt(): \DateTimeImmutable
    {
        return $this->askedAt;
    }

    /** The answer is expected in the conversation that the message has begun. */
    public function belongsTo(ConversationId $conversationId): void
    {
        $this->conversationId = $conversationId;
    }

    /** @param OwedState $as anything but open */
    public function settle(OwedState $as, \DateTimeImmutable $now): void
    {
        if ($this->isOpen()) {
            $this->state = $as;
            $this->settledAt = $now;
        }
    }

    /** It is owed again, until another moment. */
    public function takeUp(Moment $until): void
    {
        $this->state = OwedState::Open;
        $this->settledAt = null;
        $this->moveTo($until);
    }

    public function noteAutomaticAnswer(\DateTimeImmutable $now): void
    {
        $this->automaticAt = $now;
    }

    public function moveTo(Moment $until): void
    {
        $this->until = $until->instant;
        $this->zone = $until->zone->getName();
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Owed, $this->id);
    }

    public function state(): array
    {
        return [
            'email' => $this->personEmail,
            'name' => $this->personName,
            'what' => $this->what,
            'until' => $this->until->format(\DATE_ATOM),
            'zone' => $this->zone,
            'conversation' => $this->conversationId?->text,
            'task' => $this->taskId?->text,
            'outgoing' => $this->outgoingId?->text,
            'askedAt' => $this->askedAt->format(\DATE_ATOM),
            'state' => $this->state->value,
            'settledAt' => $this->settledAt?->format(\DATE_ATOM),
            'automaticAt' => $this->automaticAt?->format(\DATE_ATOM),
        ];
    }

    public function restore(array $state): void
    {
        /**
         * @var array{until: string, zone: string, conversation: ?string, state: string, settledAt: ?string, automaticAt: ?string} $state
         */
        $this->until = new \DateTimeImmutable($state['until']);
        $this->zone = $state['zone'];
        $this->conversationId = ConversationId::orNull($state['conversation']);
        $this->state = OwedState::from($state['state']);
        $this->settledAt = null === $state['settledAt'] ? null : new \DateTimeImmutable($state['settledAt']);
        $this->automaticAt = null === $state['automaticAt'] ? null : new \DateTimeImmutable($state['automaticAt']);
    }

    /** @param array<string, mixed> $state */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /**
         * @var array{
         *     email: string, name: string, what: string, until: string, zone: string, conversation: ?string,
         *     task: ?string, outgoing: ?string, askedAt: string, state: string, settledAt: ?string,
         *     automaticAt: ?string
         * } $state
         */
        $owed = new self(
            $id,
            $accountId,
            new Address($state['email'], $state['name']),
            $state['what'],
            new Moment(new \DateTimeImmutable($state['until']), Moment::zone($state['zone'])),
            ConversationId::orNull($state['conversation']),
            TaskId::orNull($state['task']),
            OutgoingId::orNull($state['outgoing']),
            new \DateTimeImmutable($state['askedAt']),
        );
        $owed->restore($state);

        return $owed;
    }

    public function needs(): array
    {
        return [];
    }
}
